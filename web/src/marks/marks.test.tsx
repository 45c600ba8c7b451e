import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Row } from '../api/types';
import { goalPlace, Lane, laneMarks, laneScale, stretchPlaces, type LaneReading } from './Lane';
import { lanesLegend, lanesSvg } from './lanesSvg';
import { LinesChart } from './LinesChart';
import { PartsChart } from './PartsChart';
import { svgText } from './saveChart';
import { shadeColour } from './shading';
import { StatusMark } from './StatusMark';

function reading(changes: Partial<LaneReading>): LaneReading {
  return {
    actual: '0.00',
    goal: null,
    attainment: null,
    yearBefore: null,
    tone: 'good',
    ...changes,
  };
}

describe('lanes share one goal line', () => {
  it('show all rows, between 125 and 200 % of goal', () => {
    expect(laneScale([], 'percent').most).toBe(1.25);
    expect(laneScale([reading({ attainment: '1.5' })], 'percent').most).toBeCloseTo(1.56);
    expect(laneScale([reading({ attainment: '9' })], 'percent').most).toBe(2);
    expect(goalPlace({ kind: 'percent', least: 0, most: 2 })).toBe(0.5);
  });

  it('have a goal of their own each where they show amounts', () => {
    const rows = [
      reading({ actual: '50.00', goal: '100.00', attainment: '0.5' }),
      reading({ actual: '-20.00' }),
    ];
    const scale = laneScale(rows, 'amount');
    expect(scale).toEqual({ kind: 'amount', least: -20, most: 104 });
    expect(goalPlace(scale)).toBeNull();
    expect(laneMarks(rows[0] as LaneReading, scale, 'HIGHER')?.goal).toBeCloseTo(120 / 124);
    expect(laneMarks(rows[1] as LaneReading, scale, 'HIGHER')).toMatchObject({
      bar: [0, 20 / 124],
      isBelowZero: true,
    });
  });

  const scale = { kind: 'percent' as const, least: 0, most: 2 };

  it('mark the shortfall, the excess, last year and where the month lands', () => {
    const short = reading({
      actual: '50.00',
      goal: '100.00',
      attainment: '0.5',
      yearBefore: '80.00',
      ahead: {
        expected: '40.00',
        pace: '1.25',
        paceShown: '100.0',
        landing: '90.00',
        landingVariance: null,
      },
    });
    expect(laneMarks(short, scale, 'HIGHER')).toMatchObject({
      bar: [0, 0.25],
      gap: [0.25, 0.5],
      excess: null,
      yearBefore: 0.4,
      landing: [0.25, 0.45],
    });
    const past = reading({ actual: '150.00', goal: '100.00', attainment: '1.5' });
    expect(laneMarks(past, scale, 'HIGHER')).toMatchObject({
      bar: [0, 0.5],
      gap: null,
      excess: [0.5, 0.75],
    });
    expect(laneMarks(short, scale, 'LOWER')?.gap).toBeNull();
  });

  it('mark a range by its ends around the middle', () => {
    const ranged = reading({
      actual: '95.00',
      goal: null,
      goalLow: '90.00',
      goalHigh: '110.00',
      attainment: '0.95',
    });
    const marks = laneMarks(ranged, scale, 'HIGHER');
    expect(marks?.range?.[0]).toBeCloseTo(0.45);
    expect(marks?.range?.[1]).toBeCloseTo(0.55);
    expect(marks?.gap).toBeNull();
  });

  it('draw nothing where there is no reading', () => {
    expect(laneMarks(reading({ actual: '5.00' }), scale, 'HIGHER')).toBeNull();
    expect(laneMarks(reading({ actual: null }), scale, 'HIGHER')).toBeNull();
  });
});

describe('shading', () => {
  it('leaves exactly 0 and no reading without a tone', () => {
    expect(shadeColour('0')).toBeUndefined();
    expect(shadeColour(undefined)).toBeUndefined();
    expect(shadeColour('-1.000')).toContain('--bad');
    expect(shadeColour('0.500')).toContain('--good');
  });
});

it('a saved chart needs no style sheet: its colours are written out', () => {
  const spoken = { percentShown: '50.0', status: 'behind', rung: 0 };
  const row = { ...reading({ actual: '50.00', goal: '100.00', attainment: '0.5' }), name: 'A & B' };
  const drawing = lanesSvg([{ ...row, key: 'A', spoken } as unknown as Row], 'percent', 'HIGHER');
  const text = svgText(drawing);
  expect(text).toContain('xmlns="http://www.w3.org/2000/svg"');
  expect(text).toContain('A &amp; B');
  expect(text).toContain('#1d2433');
  expect(text).not.toContain('var(');
});

it('parts of a variance are bars and words', () => {
  const parts = [
    {
      key: 'a',
      name: 'Rope',
      actual: '1',
      goal: '0',
      variance: '9200',
      varianceShown: '9200',
      favourable: '9200',
      shareShown: null,
    },
    {
      key: 'b',
      name: 'Navigation',
      actual: '1',
      goal: '0',
      variance: '-17650',
      varianceShown: '-17650',
      favourable: '-17650',
      shareShown: '83',
    },
  ];
  const { container } = render(<PartsChart parts={parts} figureOf={(part) => part.variance} />);
  expect(screen.getByRole('img')).toHaveAccessibleName(
    'Where the variance comes from: Rope 9200; Navigation -17650',
  );
  const bars = [...container.querySelectorAll('rect')].map((bar) => bar.getAttribute('fill'));
  expect(bars).toEqual(['var(--good)', 'var(--bad)']);
});

it('a line leaves a gap where a month is missing', () => {
  const { container } = render(
    <LinesChart
      months={['2026-07', '2026-08', '2026-09']}
      lines={[{ name: 'A', values: [1, null, 2] }]}
      describe="A"
      textOf={String}
    />,
  );
  expect(container.querySelector('path')?.getAttribute('d')?.match(/M/g)).toHaveLength(2);
});

it('marks where commission begins and ends, within the lane', () => {
  const paid = {
    ...reading({ actual: '95.00', goal: '100.00', attainment: '0.95' }),
    pay: { floor: '80.00', ceiling: null },
  };
  const scale = laneScale([paid], 'percent');
  const marks = laneMarks(paid, scale, 'HIGHER');
  expect(marks?.floor).toBeCloseTo(0.8 / 1.25);
  expect(marks?.ceiling).toBeNull();
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

it('says each mark of a lane with its figure to the pointer', () => {
  const row = reading({
    actual: '50.00',
    goal: '1100.00',
    attainment: '0.05',
    yearBefore: '80.00',
  });
  render(<Lane reading={row} scale={laneScale([row], 'amount')} direction="HIGHER" />);
  expect(screen.getByTitle('Actual 50.00')).toBeInTheDocument();
  expect(screen.getAllByTitle('Goal 1 100.00')).toHaveLength(2);
  expect(screen.getByTitle('Last year 80.00')).toBeInTheDocument();
});

describe('stretches', () => {
  const row = reading({
    actual: '50.00',
    goal: '100.00',
    attainment: '0.5',
    yearBefore: '80.00',
  });
  const scale = laneScale([row], 'percent');

  it('end at shares of the goal or of last year, and nowhere where that is unknown', () => {
    const places = (of: 'goal' | 'last-year', one = row) =>
      stretchPlaces(one, scale, { of, at: ['0.25', '0.5'] }).map((at) => at * scale.most);
    expect(places('goal')).toEqual([0.25, 0.5]);
    expect(places('last-year')).toEqual([0.2, 0.4]);
    expect(places('last-year', { ...row, yearBefore: null })).toEqual([]);
    expect(stretchPlaces(row, scale, null)).toEqual([]);
  });

  it('lie behind the lane and say how far they go, on the page and in a picture', () => {
    const stretches = { of: 'goal' as const, at: ['0.25', '0.755'] };
    render(<Lane reading={row} scale={scale} direction="HIGHER" stretches={stretches} />);
    expect(screen.getByTitle('Up to 25 % of the goal')).toBeInTheDocument();
    expect(screen.getByTitle('Up to 75.5 % of the goal')).toBeInTheDocument();
    const spoken = { percentShown: '50.0', status: 'behind', rung: 0 };
    const rows = [{ ...row, key: 'A', name: 'Ada', spoken }] as unknown as Row[];
    const bars = (svg: SVGSVGElement) => svg.querySelectorAll('rect').length;
    expect(bars(lanesSvg(rows, 'percent', 'HIGHER', stretches))).toBe(
      bars(lanesSvg(rows, 'percent', 'HIGHER')) + 2,
    );
    expect(lanesLegend('quota', 'HIGHER', stretches).at(-1)?.word).toBe(
      'behind the lanes: 25, 75.5 % of the goal',
    );
  });
});
