import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { CloseUp, Part, Reading } from '../api/types';
import { reading, ROWS } from '../test/samples';
import { ChartFrame, FigureTable } from './ChartFrame';
import { framed } from './framed';
import { lanesLegend, lanesSvg } from './lanesSvg';
import styles from '../styles.css?raw';
import { LIGHT } from './palette';
import { svgText } from './saveChart';
import { MiniBar } from './MiniBar';
import { VarianceParts } from './VarianceParts';

afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

/** What was handed to the browser to be saved, by name. */
function downloads(): { names: string[]; blobs: Blob[] } {
  const names: string[] = [];
  const blobs: Blob[] = [];
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
    this: HTMLAnchorElement,
  ) {
    names.push(this.download);
  });
  URL.createObjectURL = (blob) => {
    blobs.push(blob as Blob);
    return 'blob:x';
  };
  URL.revokeObjectURL = () => undefined;
  return { names, blobs };
}

describe('a chart in its frame', () => {
  const frame = (
    <ChartFrame
      title="Month by month"
      table={<FigureTable head={['Month', 'Actual']} rows={[['July 2026', '9.00']]} />}
    >
      <svg role="img" viewBox="0 0 40 20">
        <rect fill="var(--good)" width="4" height="4" />
      </svg>
    </ChartFrame>
  );

  it('turns into its figures by its button and by f, but not while somebody types', async () => {
    render(
      <>
        {frame}
        <input aria-label="elsewhere" />
      </>,
    );
    await userEvent.keyboard('f');
    expect(screen.getByRole('rowheader')).toHaveTextContent('July 2026');
    expect(screen.queryByRole('img')).toBeNull();
    await userEvent.type(screen.getByLabelText('elsewhere'), 'f');
    expect(screen.getByRole('table')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Show table' }));
    expect(screen.getByRole('img')).toBeVisible();
  });

  it('is saved as a drawing of its own', async () => {
    const { names, blobs } = downloads();
    render(frame);
    await userEvent.click(screen.getByRole('button', { name: 'Download Month by month' }));
    await userEvent.click(screen.getByRole('menuitem', { name: 'As SVG' }));
    await waitFor(() => expect(names).toEqual(['month by month.svg']));
    expect(blobs[0]?.type).toBe('image/svg+xml');
  });
});

describe('copying a chart', () => {
  it('is offered where the page may use the clipboard, and puts a picture there', async () => {
    const written: unknown[] = [];
    const setup = userEvent.setup();
    vi.stubGlobal(
      'ClipboardItem',
      class {
        constructor(readonly parts: Record<string, Promise<Blob>>) {}
      },
    );
    vi.stubGlobal(
      'Image',
      class {
        width = 40;
        height = 20;
        decode = () => Promise.resolve();
      },
    );
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
    vi.spyOn(HTMLCanvasElement.prototype, 'toBlob').mockImplementation((done) =>
      done(new Blob(['picture'], { type: 'image/png' })),
    );
    vi.spyOn(navigator.clipboard, 'write').mockImplementation((items) => {
      written.push(...items);
      return Promise.resolve();
    });
    render(
      <ChartFrame title="Month by month" table={null}>
        <svg role="img" aria-label="chart" viewBox="0 0 40 20" />
      </ChartFrame>,
    );
    await setup.click(screen.getByRole('button', { name: 'Download Month by month' }));
    await setup.click(screen.getByRole('menuitem', { name: 'Copy as picture' }));
    await waitFor(() => expect(written).toHaveLength(1));
    const { parts } = written[0] as { parts: Record<string, Promise<Blob>> };
    expect((await parts['image/png'])?.type).toBe('image/png');
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });
});

describe('a drawing that is taken along', () => {
  it('of lanes has a line for every row, with figure and status', () => {
    const svg = lanesSvg(ROWS, 'percent', 'HIGHER');
    const words = [...svg.querySelectorAll('text')].map((one) => one.textContent);
    expect(words).toEqual([
      '0 %',
      '20 %',
      '40 %',
      '60 %',
      '80 %',
      '100 %',
      '120 %',
      'Ada',
      '90.0 %',
      'near',
      'Bo',
      '120.0 %',
      'well past',
      'Cleo',
      '–',
      'no goal',
    ]);
    expect(svg.querySelectorAll('rect').length).toBeGreaterThanOrEqual(3);
  });
});

describe('a drawing with its frame', () => {
  const lanes = lanesSvg(ROWS, 'percent', 'HIGHER');
  const drawing = framed(lanes, 'October 2026 is ahead', lanesLegend('quota', 'HIGHER'));

  it('has title, white ground, the drawing whole, and a legend for every mark', () => {
    const words = [...drawing.querySelectorAll('text')].map((one) => one.textContent);
    expect(words[0]).toBe('October 2026 is ahead');
    expect(words).toEqual(
      expect.arrayContaining(['Ada', '90.0 %', 'goal: quota', 'shortfall', 'past the goal']),
    );
    expect(drawing.querySelector('rect')?.getAttribute('fill')).toBe('var(--sheet)');
    expect(drawing.querySelectorAll('.legend')).toHaveLength(4);
    expect(drawing.querySelectorAll('g > rect').length).toBeGreaterThan(
      lanes.querySelectorAll('rect').length,
    );
  });

  it('breaks a long title, and brings nothing of where it hung on the page', () => {
    const hung = lanesSvg(ROWS, 'percent', 'HIGHER');
    hung.setAttribute('style', 'position: absolute; left: -9999px');
    const long = framed(hung, 'word '.repeat(80).trim());
    const titles = [...long.querySelectorAll('text')].filter(
      (one) => one.getAttribute('font-weight') === '700',
    );
    expect(titles.length).toBeGreaterThan(2);
    expect(svgText(long)).not.toContain('-9999');
    expect(svgText(hung)).not.toContain('-9999');
  });

  it('is of the light page, in the dark too', () => {
    const light = /:root \{([^}]*)\}/.exec(styles)?.[1] ?? '';
    const colours = [...light.matchAll(/(--[a-z-]+): (#[0-9a-f]{6});/g)];
    expect(Object.fromEntries(colours.map(([, name, value]) => [name, value]))).toEqual(LIGHT);
  });
});

describe('a month at a glance', () => {
  const bar = (month: Reading | null) => {
    const { container } = render(<MiniBar reading={month} />);
    const rect = container.querySelector('rect');
    return (
      rect && { y: Number(rect.getAttribute('y')), height: Number(rect.getAttribute('height')) }
    );
  };

  it('stands over or under its goal line, as high as the distance, at most 30 %', () => {
    expect(bar(reading('1', '1', { attainment: '1.15' }))?.y).toBeCloseTo(5);
    expect(bar(reading('1', '1', { attainment: '1.15' }))?.height).toBeCloseTo(5);
    expect(bar(reading('1', '1', { attainment: '0.85' }))?.y).toBe(10);
    expect(bar(reading('1', '1', { attainment: '9' }))).toEqual({ y: 1, height: 9 });
  });

  it('is a dashed line without a bar where there is no goal, and nothing where it is empty', () => {
    expect(bar(reading('1', null))).toBeNull();
    const { container } = render(<MiniBar reading={null} />);
    expect(container.querySelector('line')).toBeNull();
  });
});

describe('where the variance comes from', () => {
  const part = (key: string, variance: string): Part => ({
    key,
    name: `Part ${key}`,
    actual: '1.00',
    goal: '2.00',
    variance,
    varianceShown: variance,
    favourable: variance,
    shareShown: null,
  });
  const closeUp = (parts: Part[], changes: Partial<CloseUp> = {}) =>
    ({
      parts: [
        { axis: 'line', split: 'own-goals', parts },
        { axis: 'product', split: 'last-years-mix', parts: [part('x', '-7.50')] },
      ],
      ...changes,
    }) as CloseUp;

  it('is told by another axis, the worst first in the figures', async () => {
    render(
      <VarianceParts closeUp={closeUp([part('a', '3.00'), part('b', '-4.00')])} isRate={false} />,
    );
    expect(screen.getByText('Uses each part’s own goals.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Show table' }));
    expect(screen.getAllByRole('rowheader').map((one) => one.textContent)).toEqual([
      'Part b',
      'Part a',
    ]);
    await userEvent.selectOptions(screen.getByLabelText('Parts by'), 'product');
    expect(within(screen.getByRole('table')).getByText('−7.50')).toBeVisible();
  });

  it('draws both ends of many parts and says how many lie between', () => {
    const many = Array.from({ length: 20 }, (_, at) => part(String(at), `${at - 10}.00`));
    render(<VarianceParts closeUp={closeUp(many)} isRate={false} />);
    expect(screen.getByText(/ 8 .*lines are in the table/)).toBeVisible();
  });

  it('is not there where nothing is made up of parts', () => {
    const { container } = render(<VarianceParts closeUp={closeUp([], { parts: [] })} isRate />);
    expect(container).toBeEmptyDOMElement();
  });
});
