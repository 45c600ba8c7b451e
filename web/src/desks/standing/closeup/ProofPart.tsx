import { useState } from 'react';
import type { Proof, ProvedRow, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, asPercent, monthName } from '../../../format/figures';
import { count } from '../../../format/nouns';
import { Failed, Loading } from '../../../ui/Notice';
import { SourceLink } from '../../../ui/SourceLink';
import { useProof, type Target } from '../useStanding';
import { Pager } from '../../../ui/Pager';
import { t } from '../words';

const PAGE = 20;

interface ProofPartProps {
  view: View;
  standing: Standing;
  target: Target;
}

/** How the figure came about, down to file and line. */
export function ProofPart({ view, standing, target }: ProofPartProps) {
  const [page, setPage] = useState(0);
  const proof = useProof(view, target, page, PAGE);
  if (proof.isPending) return <Loading what={t('proofPart.theCalculation')} />;
  if (proof.isError) return <Failed error={proof.error} onRetry={() => void proof.refetch()} />;
  const data = proof.data;
  return (
    <section
      aria-label={t('proofPart.calculationAndSources')}
      className="border-t border-rule pt-3 text-[12.5px]"
    >
      <h3 className="mb-1.5 text-[13.5px] font-semibold text-quiet">
        {t('proofPart.calculationAndSources')}
      </h3>
      <dl className="mb-3 space-y-1">
        {data.formulas.map((line) => (
          <div key={line.figure}>
            <dt className="inline text-quiet">{figureName(line.figure)} = </dt>
            <dd className="inline">
              {line.value === null ? (
                <span className="text-quiet">{t('proofPart.none', { why: line.why })}</span>
              ) : (
                <>
                  {line.formula} = <b>{amount(line.value)}</b>
                </>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <p className="mb-3">{rungSentence(data, standing)}</p>
      <Sources title={t('proofPart.actual')} rows={data.rows} total={data.rowCount} />
      <Pager page={page} pages={Math.ceil(data.rowCount / PAGE)} onTurn={setPage} />
      {data.goalRowCount > 0 && (
        <Sources
          title={t('proofPart.goal', { goalWords: data.goalWords })}
          rows={data.goalRows}
          total={data.goalRowCount}
        />
      )}
    </section>
  );
}

function rungSentence(proof: Proof, standing: Standing): string {
  const { rung } = proof;
  if (!rung)
    return t('proofPart.noStatus', {
      noReading: proof.inputs.noReading ?? t('proofPart.noThresholdApplies'),
    });
  const bound =
    rung.from === null
      ? t('proofPart.theLowestThreshold')
      : `${rung.bound ?? ''} ${scaleText(rung)}`;
  return t('proofPart.statusThresholdFor', {
    name: rung.name,
    bound,
    number: rung.number,
    measure: standing.measureName,
    ladder: proof.ladder,
  });
}

const FIGURES = ['variance', 'variance %', 'percent-to-goal', 'growth', 'growth on year'] as const;

/** A figure's name; of a rate its two measures, as they come. */
function figureName(figure: string): string {
  const known = FIGURES.find((one) => one === figure);
  return known ? t(`proofPart.figure.${known}`) : figure;
}

const SCALES = [
  'percent-to-goal',
  'variance',
  'variance-percent',
  'value',
  'share-of-highest',
] as const;

function scaleText({ scale, from }: { scale: string; from: string | null }): string {
  const isShare = scale !== 'value' && scale !== 'variance';
  const figure = isShare ? asPercent(from ?? '0') : amount(from);
  const known = SCALES.find((one) => one === scale) ?? 'value';
  return t(`proofPart.scale.${known}`, { figure });
}

function Sources({ title, rows, total }: { title: string; rows: ProvedRow[]; total: number }) {
  return (
    <div className="mb-3">
      <h4 className="font-semibold">
        {title}: {count(total, 'line')}
      </h4>
      <table className="no-print w-full">
        <thead className="sr-only">
          <tr>
            <th scope="col">{t('proofPart.fileAndLine')}</th>
            <th scope="col">{t('proofPart.month')}</th>
            <th scope="col">{t('proofPart.amount')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <tr key={`${row.load} ${row.line} ${row.month} ${at}`} className="border-t border-rule">
              <td
                className="max-w-[150px] truncate py-0.5 pr-2"
                title={t('proofPart.line', { file: row.file, line: row.line })}
              >
                <SourceLink load={row.load} line={row.line}>
                  {row.file}
                </SourceLink>
                {t('proofPart.line2', { line: row.line })}
                {row.decisions.map((decision) => (
                  <span key={decision} className="block text-[12px] whitespace-normal text-quiet">
                    {decision}
                  </span>
                ))}
              </td>
              <td className="pr-2 whitespace-nowrap text-quiet">{monthName(row.month)}</td>
              <td className="text-right whitespace-nowrap">{amount(row.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
