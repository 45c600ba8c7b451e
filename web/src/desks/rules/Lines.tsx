import type { ProposalLine } from '../../api/types';
import { amount } from '../../format/figures';
import { t } from './words';

/** An amount as the company writes it; other text as it is. */
function figure(text: string | null): string {
  return text !== null && /^-?\d+(\.\d+)?$/.test(text) ? amount(text) : (text ?? '–');
}

interface LinesProps {
  title: string;
  lines: ProposalLine[];
  /** How many there are beyond those. */
  more: number;
}

/** Changes in words, each with what is and what would be. */
export function Lines({ title, lines, more }: LinesProps) {
  return (
    <table className="mt-3 w-full max-w-[820px] bg-sheet text-left">
      <caption className="py-1 text-left font-semibold">{title}</caption>
      <thead>
        <tr className="border-b border-ink text-[12px] text-quiet">
          <th scope="col" className="w-[34%] px-2 py-1 font-normal">
            {t('proposals.what')}
          </th>
          <th scope="col" className="px-2 py-1 font-normal">
            {t('proposals.now')}
          </th>
          <th scope="col" className="px-2 py-1 font-normal">
            {t('proposals.then')}
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.subject} className="border-b border-rule align-top">
            <th scope="row" className="px-2 py-1 font-normal">
              {line.subject}
            </th>
            <td className="px-2 py-1 whitespace-pre-line">{figure(line.before)}</td>
            <td className="px-2 py-1 font-semibold whitespace-pre-line">{figure(line.after)}</td>
          </tr>
        ))}
      </tbody>
      {more > 0 && (
        <tfoot>
          <tr>
            <td colSpan={3} className="px-2 py-1 text-quiet">
              {t('proposals.more', { n: more })}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  );
}
