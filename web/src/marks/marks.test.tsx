import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { goalPlace, laneDomain } from './Lane';
import { shadeColour, shadePositions } from './shading';
import { StatusMark } from './StatusMark';

describe('lanes share one goal line', () => {
  it('show all rows, between 125 and 200 % of goal', () => {
    expect(laneDomain([])).toBe(1.25);
    expect(laneDomain([{ attainment: '1.5' }, { attainment: null }])).toBeCloseTo(1.56);
    expect(laneDomain([{ attainment: '9' }])).toBe(2);
    expect(goalPlace(2)).toBe(0.5);
  });
});

describe('shading', () => {
  it.each([
    [
      ['50.00', '0.00', '-200.00', null, '100.00'],
      [0.5, 0, -1, null, 1],
    ],
    [
      ['1.00', '3.00'],
      [1 / 3, 1],
    ],
    [[], []],
  ])('of %j is %j', (favourables, positions) => {
    expect(shadePositions(favourables)).toEqual(positions);
  });

  it('leaves exactly 0 and no reading without a tone', () => {
    expect(shadeColour(0)).toBeUndefined();
    expect(shadeColour(null)).toBeUndefined();
    expect(shadeColour(-1)).toContain('--bad');
  });
});

it('a status is a word beside its shape, and the shape differs by tone', () => {
  const { container, rerender } = render(<StatusMark status="behind" tone="bad" />);
  expect(screen.getByText('behind')).toBeVisible();
  const shapes = new Set<string>();
  for (const tone of ['bad', 'near', 'good', 'neutral'] as const) {
    rerender(<StatusMark status={tone} tone={tone} />);
    const height = container.querySelector('circle')?.getAttribute('cy') ?? '';
    const dashes = container.querySelector('path')?.getAttribute('stroke-dasharray') ?? '';
    shapes.add(`${height} ${dashes}`);
  }
  expect(shapes.size).toBe(4);
});
