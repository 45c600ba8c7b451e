import { useState } from 'react';
import type { Corrections, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, monthName, NONE, signed } from '../../../format/figures';
import { count } from '../../../format/nouns';
import { SidePanel } from '../../../ui/SidePanel';
import { Failed, Loading } from '../../../ui/Notice';
import { SourceLink } from '../../../ui/SourceLink';
import { targetOf, TOTAL } from '../rows';
import { useCorrections } from '../useStanding';
import { Pager } from '../../../ui/Pager';
import { t } from '../words';

const PAGE = 50;

interface CorrectionsPanelProps {
  view: View;
  standing: Standing;
  onClose: () => void;
}

/** What was posted for closed months since they were closed, line by line. */
export default function CorrectionsPanel({ view, standing, onClose }: CorrectionsPanelProps) {
  const [page, setPage] = useState(0);
  const target = targetOf(standing, view);
  const corrections = useCorrections(view, target, page, PAGE);
  const name =
    target.key === TOTAL ? t('correctionsPanel.allRows') : (target.row?.name ?? target.key);
  return (
    <SidePanel
      label={t('correctionsPanel.correctionsSinceClose')}
      title={t('correctionsPanel.correctionsSinceClose')}
      onClose={onClose}
    >
      <p className="mb-3 text-quiet">{t('correctionsPanel.linesOfThatWerePosted', { name })}</p>
      {corrections.isPending ? (
        <Loading what={t('correctionsPanel.theCorrections')} />
      ) : corrections.isError ? (
        <Failed error={corrections.error} onRetry={() => void corrections.refetch()} />
      ) : (
        <Lines corrections={corrections.data} onTurn={setPage} />
      )}
    </SidePanel>
  );
}

interface LinesProps {
  corrections: Corrections;
  onTurn: (page: number) => void;
}

function Lines({ corrections, onTurn }: LinesProps) {
  const { lines, lineCount, page, size, actual } = corrections;
  if (lineCount === 0) return <p>{t('correctionsPanel.noClosedMonthShownHere')}</p>;
  return (
    <>
      <p className="mb-2 font-semibold">
        {t('correctionsPanel.in', { actual: signed(actual), lineCount: count(lineCount, 'line') })}
      </p>
      <div className="overflow-x-auto">
        <table className="w-full text-[12.5px]">
          <thead className="text-quiet">
            <tr className="text-right">
              <th scope="col" className="text-left font-semibold">
                {t('correctionsPanel.line')}
              </th>
              <th scope="col" className="pl-2 text-left font-semibold">
                {t('correctionsPanel.month')}
              </th>
              <th scope="col" className="pl-2 font-semibold">
                {t('correctionsPanel.asClosed')}
              </th>
              <th scope="col" className="pl-2 font-semibold">
                {t('correctionsPanel.restated')}
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line, at) => (
              <tr key={at} className="border-t border-rule text-right align-top">
                <td className="py-1 text-left">
                  <SourceLink load={line.load} line={line.line}>
                    {t('correctionsPanel.line2', { file: line.file, line: line.line })}
                  </SourceLink>
                </td>
                <td className="py-1 pl-2 text-left whitespace-nowrap">{monthName(line.month)}</td>
                <td className="py-1 pl-2">
                  {line.then === null ? NONE : amount(line.then)}
                  {line.nameThen && <span className="block text-quiet">{line.nameThen}</span>}
                </td>
                <td className="py-1 pl-2">
                  {line.now === null ? NONE : amount(line.now)}
                  {line.nameNow && <span className="block text-quiet">{line.nameNow}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Pager page={page} pages={Math.ceil(lineCount / size)} onTurn={onTurn} />
    </>
  );
}
