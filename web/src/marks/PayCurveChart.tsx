import { scaleLinear } from 'd3-scale';
import type { PayRow } from '../api/types';
import { amount } from '../format/figures';
import { ChartFrame, FigureTable } from './ChartFrame';
import { toneColour } from './tones';
import { t } from './words';

const WIDTH = 352;
const HEIGHT = 158;
const GROUND = 128;
const TOP = 22;

interface PayCurveChartProps {
  row: Pick<
    PayRow,
    'actual' | 'earned' | 'quota' | 'floor' | 'ceiling' | 'curve' | 'tone' | 'name'
  >;
  /** A place on the curve that is tried. */
  tried?: { sales: number; pay: number } | null;
  /** Another curve of the same quota, such as the plan in force; drawn dashed. */
  beside?: { name: string; curve: PayRow['curve'] } | null;
}

/** The stair lane, larger: what each amount of sales pays, with floor, quota and ceiling named. */
export function PayCurveChart({ row, tried = null, beside = null }: PayCurveChartProps) {
  const points = row.curve.map((point) => ({ sales: Number(point.sales), pay: Number(point.pay) }));
  const others = (beside?.curve ?? []).map((point) => ({
    sales: Number(point.sales),
    pay: Number(point.pay),
  }));
  const x = scaleLinear()
    .domain([0, Math.max(...points.map((point) => point.sales), 1)])
    .range([0, WIDTH]);
  const highest = Math.max(...points.map((point) => point.pay));
  const mostPaid = row.curve[points.findIndex((point) => point.pay === highest)]?.pay ?? null;
  const most = Math.max(highest, 1, ...others.map((point) => point.pay));
  const y = scaleLinear().domain([0, most]).range([GROUND, TOP]);
  const quota = Number(row.quota);
  const line = points.map((point) => `${x(point.sales)} ${y(point.pay)}`).join('L');
  const dashed = others
    .map((point) => `${x(Math.min(point.sales, x.domain()[1] ?? 0))} ${y(point.pay)}`)
    .join('L');
  const near = (sales: number) =>
    x(sales) > WIDTH - 90 ? 'end' : x(sales) < 50 ? 'start' : 'middle';
  return (
    <ChartFrame
      title={t('payCurveChart.payBySales')}
      table={
        <FigureTable
          head={[t('payCurveChart.sales'), t('payCurveChart.pay')]}
          rows={[
            ...row.curve.map((point) => [amount(point.sales), amount(point.pay)]),
            ...(beside ? [[t('payCurveChart.dashed', { name: beside.name }), '']] : []),
            ...(beside?.curve ?? []).map((point) => [amount(point.sales), amount(point.pay)]),
          ]}
        />
      }
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={t('payCurveChart.payOfByCreditedSales', {
          name: row.name,
          earned:
            row.earned === null
              ? ''
              : t('payCurveChart.at', { earned: amount(row.earned), actual: amount(row.actual) }),
          mostPaid: amount(mostPaid),
        })}
        className="w-full text-[11px]"
      >
        <path d={`M0 ${GROUND}H${WIDTH}`} stroke="var(--quiet)" />
        {dashed !== '' && (
          <path
            d={`M${dashed}`}
            fill="none"
            stroke="var(--select)"
            strokeWidth="1.6"
            strokeDasharray="5 3"
          >
            <title>{beside?.name}</title>
          </path>
        )}
        <path d={`M${line}`} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
        {quota > 0 && (
          <>
            <path d={`M${x(quota)} 4V${GROUND}`} stroke="var(--ink)" strokeWidth="2" />
            <text
              x={x(quota) + (near(quota) === 'end' ? -5 : 5)}
              y="12"
              textAnchor={near(quota) === 'end' ? 'end' : 'start'}
              fill="var(--ink)"
              fontWeight="700"
            >
              {t('payCurveChart.quota', { quota: amount(row.quota) })}
            </text>
          </>
        )}
        {row.floor !== null && (
          <text
            x={x(Number(row.floor))}
            y={HEIGHT - 16}
            textAnchor={near(Number(row.floor))}
            fill="var(--quiet)"
          >
            {t('payCurveChart.floor', { floor: amount(row.floor) })}
          </text>
        )}
        {row.ceiling !== null && (
          <text
            x={x(Number(row.ceiling))}
            y={HEIGHT - 3}
            textAnchor={near(Number(row.ceiling))}
            fill="var(--quiet)"
          >
            {t('payCurveChart.ceiling', { ceiling: amount(row.ceiling) })}
          </text>
        )}
        {row.earned !== null && (
          <circle
            cx={x(Math.max(Number(row.actual), 0))}
            cy={y(Number(row.earned))}
            r="4.6"
            fill={toneColour(row.tone)}
          />
        )}
        {tried && (
          <circle
            cx={x(Math.max(tried.sales, 0))}
            cy={y(Math.min(tried.pay, most))}
            r="5.2"
            fill="var(--sheet)"
            stroke="var(--select)"
            strokeWidth="2.4"
          />
        )}
      </svg>
      {dashed !== '' && (
        <p className="text-[12px] text-quiet">
          {t('payCurveChart.dashed', { name: beside?.name ?? '' })}
        </p>
      )}
    </ChartFrame>
  );
}
