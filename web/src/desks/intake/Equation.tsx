import type { Load } from '../../api/types';
import { amount, count } from '../../format/figures';

/** Lines and sums in the file = ready + held back + left out, beside the control total. */
export function Equation({ load }: { load: Load }) {
  const measures = Object.keys(load.sums);
  const parts = [
    { sign: '', word: 'in the file', lines: load.lines, of: 'file' as const },
    { sign: '=', word: 'ready', lines: load.ready, of: 'ready' as const },
    { sign: '+', word: 'held back', lines: load.held, of: 'held' as const },
    { sign: '+', word: 'left out', lines: load.leftOut, of: 'leftOut' as const },
  ];
  return (
    <section aria-label="Reconciliation" className="mb-3 flex flex-wrap bg-sheet">
      <div className="flex flex-[1_1_auto] flex-wrap gap-x-5 gap-y-2 px-3 py-2.5">
        {parts.map((part) => (
          <div key={part.word} className="flex min-w-max flex-1 items-center gap-2.5">
            {part.sign && <span className="text-[17px] text-quiet">{part.sign}</span>}
            <div className={part.of === 'held' && part.lines > 0 ? 'text-bad' : ''}>
              <p className="text-[12px] text-quiet">{part.word}</p>
              <p>
                <span className="block text-[16px] whitespace-nowrap">
                  <b>{amount(String(part.lines))}</b> {part.lines === 1 ? 'line' : 'lines'}
                </span>
                {measures.map((measure) => (
                  <span key={measure} className="block whitespace-nowrap">
                    <b>{amount(load.sums[measure]?.[part.of] ?? null)}</b>{' '}
                    <span className="text-[12px] text-quiet">{measure}</span>
                  </span>
                ))}
              </p>
            </div>
          </div>
        ))}
      </div>
      {load.controlTotal && (
        <div className="border-rule px-3 py-2.5 xl:border-l">
          <p className="text-[12px] text-quiet">control total, {load.controlTotal.measure}</p>
          <p className="text-[16px] font-bold">{amount(load.controlTotal.given)}</p>
          <p className={load.controlTotal.met ? 'text-good' : 'font-semibold text-bad'}>
            {load.controlTotal.met
              ? 'matches the file'
              : `the file has ${amount(load.controlTotal.found)}`}
          </p>
        </div>
      )}
      {measures.length === 0 && (
        <p className="self-center px-3 py-2.5 text-quiet">
          {count(load.lines, 'line')}, no amounts in a {load.kind} file
        </p>
      )}
    </section>
  );
}
