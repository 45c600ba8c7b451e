import type { Bridge, Outlook } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { amount, hasFraction, isAboveZero } from '../../../format/figures';
import { placed } from '../../../format/placing';
import { dayText } from '../../../format/writing';
import { ChartFrame, FigureTable } from '../../../marks/ChartFrame';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading } from '../../../ui/Notice';
import { useBridge } from './useOutlook';
import { t } from './words';

type StepWord = 'new' | 'moved-in' | 'raised' | 'lowered' | 'won' | 'lost' | 'moved-out' | 'gone';

const STEPS: { word: StepWord; field: keyof Bridge; isAdding: boolean; colour: string }[] = [
  { word: 'new', field: 'new', isAdding: true, colour: 'var(--good)' },
  { word: 'moved-in', field: 'movedIn', isAdding: true, colour: 'var(--good)' },
  { word: 'raised', field: 'raised', isAdding: true, colour: 'var(--good)' },
  { word: 'lowered', field: 'lowered', isAdding: false, colour: 'var(--bad)' },
  { word: 'won', field: 'won', isAdding: false, colour: 'var(--past)' },
  { word: 'lost', field: 'lost', isAdding: false, colour: 'var(--bad)' },
  { word: 'moved-out', field: 'movedOut', isAdding: false, colour: 'var(--bad)' },
  { word: 'gone', field: 'gone', isAdding: false, colour: 'var(--bad)' },
];

interface BridgePartProps {
  view: View;
  outlook: Outlook;
  name: string;
  change: (changes: Changes) => void;
}

/** What became of the open deals since another snapshot, step by step. */
export function BridgePart({ view, outlook, name, change }: BridgePartProps) {
  const bridge = useBridge(view);
  if (bridge.isPending) return <Loading what={t('bridge.theBridge')} />;
  if (bridge.isError) {
    return <Failed error={bridge.error} onRetry={() => void bridge.refetch()} />;
  }
  const { since, asOf } = bridge.data;
  if (since === null || asOf === null) {
    return <p className="text-quiet">{t('bridge.noOther')}</p>;
  }
  const earlier = [...new Set(outlook.snapshots.map((one) => one.asOf))].filter(
    (day) => day < asOf,
  );
  const lines = linesOf(bridge.data, since, asOf);
  return (
    <ChartFrame
      title={t('bridge.title', { name, day: dayText(since) })}
      controls={
        earlier.length > 1 && (
          <Choice
            label={t('bridge.since')}
            value={since}
            options={earlier.map((day) => ({ value: day, word: dayText(day) }))}
            onChange={(day) => change({ since: day === earlier[0] ? null : day, step: null })}
          />
        )
      }
      table={
        <FigureTable
          head={[t('bridge.step'), t('bridge.amount')]}
          rows={lines.map(({ words, text }) => [words, text])}
        />
      }
    >
      <Drawing lines={lines} title={t('bridge.title', { name, day: dayText(since) })} />
      <ul className="no-print mt-1 flex flex-wrap gap-x-2.5 text-[12px]">
        {lines
          .filter(({ step }) => step !== null)
          .map(({ step, words }) => (
            <li key={step}>
              <button
                type="button"
                aria-pressed={view.step === step}
                onClick={() => change({ step: view.step === step ? null : step })}
                className={`min-h-6 underline underline-offset-2 ${view.step === step ? 'font-semibold text-ink' : 'text-select'}`}
              >
                {words}
              </button>
            </li>
          ))}
      </ul>
    </ChartFrame>
  );
}

interface BridgeLine {
  words: string;
  text: string;
  /** Amounts at which the bar begins and ends; for drawing only. */
  from: number;
  to: number;
  colour: string;
  step: StepWord | null;
}

/** The steps that are not 0 between what was open before and after; places are for drawing. */
function linesOf(bridge: Bridge, since: string, asOf: string): BridgeLine[] {
  const all = [bridge.before, ...STEPS.map(({ field }) => bridge[field] ?? null), bridge.after];
  const decimals = all.some((text) => hasFraction(text)) ? 'keep' : 'drop';
  const whole = (words: string, text: string): BridgeLine => ({
    words,
    text: amount(text, decimals),
    from: 0,
    to: placed(text),
    colour: 'var(--field)',
    step: null,
  });
  const lines = [whole(t('bridge.openOn', { day: dayText(since) }), bridge.before)];
  let at = placed(bridge.before);
  for (const { word, field, isAdding, colour } of STEPS) {
    const text = bridge[field] ?? '0';
    if (isAboveZero(text)) {
      const size = placed(text);
      const next = isAdding ? at + size : at - size;
      lines.push({
        words: t('bridge.stepWord', { step: field }),
        text: `${isAdding ? '+' : '−'}${amount(text, decimals)}`,
        from: at,
        to: next,
        colour,
        step: word,
      });
      at = next;
    }
  }
  return [...lines, whole(t('bridge.openOn', { day: dayText(asOf) }), bridge.after)];
}

const ROW = 18;
const WIDTH = 340;
const LEFT = 112;
const RIGHT = 250;

function Drawing({ lines, title }: { lines: BridgeLine[]; title: string }) {
  const most = Math.max(1, ...lines.map(({ from, to }) => Math.max(from, to)));
  const x = (value: number) => LEFT + (Math.max(value, 0) / most) * (RIGHT - LEFT);
  const height = lines.length * ROW + 2;
  return (
    <svg
      role="img"
      aria-label={title}
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full"
      fontSize="12"
      fill="var(--ink)"
    >
      {lines.map((line, at) => {
        const y = at * ROW;
        const [low, high] = [Math.min(line.from, line.to), Math.max(line.from, line.to)];
        const isWhole = line.step === null;
        return (
          <g key={line.words}>
            <text
              x="0"
              y={y + 13}
              fontWeight={isWhole ? 600 : 400}
              fill={isWhole ? 'var(--ink)' : 'var(--quiet)'}
            >
              {line.words}
            </text>
            <rect
              x={x(low)}
              y={y + 4}
              width={Math.max(x(high) - x(low), 1)}
              height={ROW - 7}
              fill={line.colour}
            />
            {at < lines.length - 1 && (
              <line
                x1={x(line.to)}
                x2={x(line.to)}
                y1={y + ROW - 3}
                y2={y + ROW + 4}
                stroke="var(--field)"
              />
            )}
            <text x={WIDTH} y={y + 13} textAnchor="end" fontWeight={isWhole ? 600 : 400}>
              {line.text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
