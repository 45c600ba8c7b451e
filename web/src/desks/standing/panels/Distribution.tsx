import { scaleLinear } from 'd3-scale';
import { useRef, useState, type PointerEvent } from 'react';
import type { Row, Standing } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { toneColour } from '../../../marks/tones';
import { percentOf } from '../../../format/decimals';
import { EMPTY } from '../rows';
import { useStanding } from '../useStanding';
import { amount } from '../../../format/figures';
import { placed, pointed } from '../../../format/placing';
import { t } from '../words';

const WIDTH = 860;
const HEIGHT = 34;
const MOST_DOTS = 150;
const BINS = 120;

interface DistributionProps {
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/**
 * Where all members lie on one line of percent-to-goal; drag over a stretch to keep only those in
 * it. The same by keyboard stands under "Only".
 */
export function Distribution({ view, standing, change }: DistributionProps) {
  const isBrushed = view.narrowing.low !== '' || view.narrowing.high !== '';
  const whole = useStanding(
    view,
    { attainmentFrom: undefined, attainmentTo: undefined, beside: undefined, group: undefined },
    isBrushed,
  );
  const rows = (isBrushed ? (whole.data?.rows ?? []) : standing.rows).filter(
    (row) => row.spoken.attainment !== null && row.spoken.noReading !== EMPTY,
  );
  const drawing = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<[number, number] | null>(null);
  if (rows.length < 2) return null;
  const shares = rows.map((row) => placed(row.spoken.attainment) ?? 0);
  const low = shares.reduce((least, share) => Math.min(least, share), 0);
  const high = shares.reduce((most, share) => Math.max(most, share), 1.2);
  const x = scaleLinear()
    .domain([Math.max(low, -0.5), Math.min(high, 3) * 1.02])
    .range([6, WIDTH - 6])
    .clamp(true);

  function place(event: PointerEvent): number {
    const box = drawing.current?.getBoundingClientRect();
    return box ? ((event.clientX - box.left) / box.width) * WIDTH : 0;
  }

  function drop() {
    if (drag && Math.abs(drag[1] - drag[0]) > 5) {
      const ends = drag.map((at) => x.invert(at)).sort((a, b) => a - b);
      change({ low: pointed(ends[0] ?? 0, 3), high: pointed(ends[1] ?? 0, 3), selected: null });
    }
    setDrag(null);
  }

  const brush =
    drag ??
    (isBrushed
      ? [
          x(view.narrowing.low ? placed(view.narrowing.low) : low),
          x(view.narrowing.high ? placed(view.narrowing.high) : high),
        ]
      : null);
  return (
    <div
      className={`no-print mb-0.5 flex items-center gap-3 xl:mb-1.5 ${standing.openMonth && !isBrushed ? 'gives-way' : ''}`}
    >
      <svg
        ref={drawing}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="h-[27px] min-w-0 xl:h-[34px] flex-1 cursor-crosshair touch-none"
        preserveAspectRatio="none"
        role="img"
        aria-label={t('distribution.row', {
          rows: rows.length,
          low: Math.round(low * 100),
          high: Math.round(high * 100),
        })}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDrag([place(event), place(event)]);
        }}
        onPointerMove={(event) => drag && setDrag([drag[0], place(event)])}
        onPointerUp={drop}
      >
        {brush && (
          <rect
            x={Math.min(...brush)}
            width={Math.max(...brush) - Math.min(...brush)}
            y="0"
            height={HEIGHT}
            fill="var(--select)"
            opacity="0.16"
          />
        )}
        <line x1="0" x2={WIDTH} y1={HEIGHT - 8} y2={HEIGHT - 8} stroke="var(--quiet)" />
        <line x1={x(1)} x2={x(1)} y1="0" y2={HEIGHT} stroke="var(--ink)" strokeWidth="2" />
        {rows.length <= MOST_DOTS ? <Ticks rows={rows} x={x} /> : <Bins shares={shares} x={x} />}
      </svg>
      {isBrushed && (
        <button
          type="button"
          className="min-h-6 text-select underline"
          onClick={() => change({ low: null, high: null })}
        >
          {t('distribution.ofGoalShowAllRows', {
            low: percentOf(view.narrowing.low) || '…',
            high: percentOf(view.narrowing.high) || '…',
          })}
        </button>
      )}
    </div>
  );
}

type Scale = (share: number) => number;

/** One upright tick per member, as its tone. */
function Ticks({ rows, x }: { rows: Row[]; x: Scale }) {
  return rows.map((row) => (
    <line
      key={(row.group ?? '') + row.key}
      x1={x(placed(row.spoken.attainment) ?? 0)}
      x2={x(placed(row.spoken.attainment) ?? 0)}
      y1={HEIGHT - 22}
      y2={HEIGHT - 3}
      stroke={toneColour(row.spoken.tone)}
      strokeWidth="3"
      opacity="0.75"
    >
      <title>{`${row.name}: ${amount(row.spoken.percentShown)} %`}</title>
    </line>
  ));
}

/** Many members: how many lie in each stretch. */
function Bins({ shares, x }: { shares: number[]; x: Scale }) {
  const counts = new Array<number>(BINS).fill(0);
  for (const share of shares) {
    const bin = Math.min(Math.floor((x(share) / WIDTH) * BINS), BINS - 1);
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  const most = Math.max(...counts);
  return counts.map((members, bin) => (
    <rect
      key={bin}
      x={(bin * WIDTH) / BINS}
      width={WIDTH / BINS - 1}
      y={HEIGHT - 8 - (members / most) * (HEIGHT - 10)}
      height={(members / most) * (HEIGHT - 10)}
      fill="var(--quiet)"
      opacity="0.7"
    />
  ));
}
