import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Reading, Standing } from '../../../api/types';
import { reading, STANDING } from '../../../test/samples';
import { RowCard } from './RowCard';

afterEach(() => vi.unstubAllGlobals());

function show(changes: Partial<Reading>, standing: Partial<Standing> = {}) {
  const { container } = render(
    <RowCard
      name="Ada"
      months="October 2026"
      reading={reading('90.00', '100.00', changes)}
      standing={{ ...STANDING, ...standing }}
    />,
  );
  return [...container.querySelectorAll('dl > div')].map((one) => one.textContent);
}

const SHORT: Partial<Reading> = {
  actual: '90.00',
  goal: '100.00',
  variance: '-10.00',
  percentShown: '90.0',
  growthShown: '-12.5',
  growthOnYearShown: '4.0',
};

describe('the card of a row', () => {
  it('has what a person asks for, with signs where something moved', () => {
    const shown = show({
      ...SHORT,
      spoken: { variance: '-10.00', variancePercentShown: '-10.0' } as Reading['spoken'],
    });
    expect(shown).toEqual([
      'Actual90.00',
      'Goal100.00',
      '% of goal90.0 %',
      'Shortfall10.00 (10.0 %)',
      'On prior period−12.5 %',
      'On last year+4.0 %',
    ]);
  });

  it('speaks in the direction of spend', () => {
    const over = { variance: '10.00', variancePercentShown: '10.0' } as Reading['spoken'];
    expect(show({ ...SHORT, spoken: over }, { direction: 'LOWER' })[3]).toBe('Over10.00 (10.0 %)');
  });

  it('is copied as text that can be read alone', async () => {
    const written: string[] = [];
    vi.stubGlobal('navigator', {
      clipboard: { writeText: (text: string) => Promise.resolve(void written.push(text)) },
    });
    show({ ...SHORT, spoken: { variance: '-10.00' } as Reading['spoken'] });
    await userEvent.click(screen.getByRole('button', { name: 'Copy as text' }));
    expect(await screen.findByRole('button', { name: 'Copied' })).toBeVisible();
    expect(written[0]).toMatch(/^Ada, October 2026\nActual: 90.00\nGoal: 100.00\n/);
  });
});
