import { NumberField } from '../../ui/NumberField';
import { useRef, useState } from 'react';
import type { Load } from '../../api/types';
import { amount } from '../../format/figures';
import { count } from '../../format/nouns';
import type { useSay } from './useIntake';
import { Select } from '../../ui/Select';
import { t } from './words';

interface EquationProps {
  load: Load;
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
}

/** Lines and sums in the file = ready + held back + left out, beside the control total. */
export function Equation({ load, isOpen, say }: EquationProps) {
  const measures = Object.keys(load.sums);
  const parts = [
    { sign: '', word: t('equation.inTheFile'), lines: load.lines, of: 'file' as const },
    { sign: '=', word: t('equation.ready'), lines: load.ready, of: 'ready' as const },
    { sign: '+', word: t('equation.heldBack'), lines: load.held, of: 'held' as const },
    { sign: '+', word: t('equation.leftOut'), lines: load.leftOut, of: 'leftOut' as const },
  ];
  return (
    <section
      aria-label={t('equation.reconciliation')}
      className="mb-2.5 flex shrink-0 flex-wrap bg-sheet"
    >
      <div className="flex flex-[1_1_auto] flex-wrap gap-x-2 gap-y-2 px-3 py-2">
        {parts.map((part) => (
          <div key={part.word} className="flex min-w-max flex-1 items-center gap-2">
            {part.sign && <span className="text-[17px] text-quiet">{part.sign}</span>}
            <div className={part.of === 'held' && part.lines > 0 ? 'text-bad' : ''}>
              <p className="text-[12px] text-quiet">{part.word}</p>
              <p>
                <span className="block text-[15px] whitespace-nowrap">
                  <b>{amount(String(part.lines))}</b> {t('equation.line', { n: part.lines })}
                </span>
                {measures.map((measure) => (
                  <span key={measure} className="block whitespace-nowrap">
                    <b>{amount(load.sums[measure]?.[part.of] ?? null)}</b>{' '}
                    <span className={part.sign ? 'sr-only' : 'text-[12px] text-quiet'}>
                      {measure}
                    </span>
                  </span>
                ))}
              </p>
            </div>
          </div>
        ))}
      </div>
      {measures.length > 0 && <Control load={load} isOpen={isOpen} say={say} />}
      {measures.length === 0 && (
        <p className="self-center px-3 py-2.5 text-quiet">
          {t('equation.noAmountsInAFile', { lines: count(load.lines, 'line'), kind: load.kind })}
        </p>
      )}
    </section>
  );
}

/** The control total: typed in, from a total line at the end, or from a small file. */
function Control({ load, isOpen, say }: EquationProps) {
  const measures = Object.keys(load.sums);
  const total = load.controlTotal;
  const [isEditing, setEditing] = useState(false);
  const [measure, setMeasure] = useState(total?.measure ?? measures[0] ?? '');
  const [text, setText] = useState<string | null>(total?.given ?? '');
  const chooser = useRef<HTMLInputElement>(null);
  const link = 'min-h-6 text-select underline';
  if (isEditing) {
    return (
      <form
        className="flex flex-col gap-1 border-l border-rule px-3 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          const totals = text ? { [measure]: text } : ({} as Record<string, string>);
          say.mutate(
            { kind: 'control', totals, trailer: false },
            { onSuccess: () => setEditing(false) },
          );
        }}
      >
        <span className="text-[12px] text-quiet">
          {t('equation.controlTotalOf')}{' '}
          <Select
            aria-label={t('equation.measure')}
            value={measure}
            onChange={(event) => setMeasure(event.target.value)}
          >
            {measures.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </span>
        <NumberField
          label={t('equation.controlTotal')}
          value={text ?? ''}
          kind={{ decimals: 4, isSigned: true }}
          placeholder={t('equation.suchAs19124000')}
          className="block w-[170px]"
          onRead={setText}
        />
        <span className="flex gap-3">
          <button type="submit" className={link} disabled={text === null || say.isPending}>
            {t('equation.compareControlTotal')}
          </button>
          <button type="button" className={link} onClick={() => chooser.current?.click()}>
            {t('equation.readItFromAFile')}
          </button>
          <button type="button" className={link} onClick={() => setEditing(false)}>
            {t('equation.cancel')}
          </button>
        </span>
        <input
          ref={chooser}
          type="file"
          tabIndex={-1}
          aria-label={t('equation.controlFile')}
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) {
              say.mutate({ kind: 'control-file', file }, { onSuccess: () => setEditing(false) });
            }
            event.target.value = '';
          }}
        />
      </form>
    );
  }
  return (
    <div className="border-l border-rule px-3 py-2">
      <p className="text-[12px] text-quiet">
        {t('equation.controlTotal2', { total: total ? `, ${total.measure}` : '' })}
        {isOpen && (
          <button type="button" className={`${link} ml-2`} onClick={() => setEditing(true)}>
            {total ? t('equation.changeControlTotal') : t('equation.enterControlTotal')}
          </button>
        )}
      </p>
      {total ? (
        <>
          <p className="text-[15px] font-bold">{amount(total.given)}</p>
          <p className={total.met ? 'text-good' : 'font-semibold text-bad'}>
            {total.met
              ? t('equation.matchesTheFile')
              : t('equation.theFileHas', { found: amount(total.found) })}
          </p>
        </>
      ) : (
        <p className="text-quiet">{t('equation.notEntered')}</p>
      )}
    </div>
  );
}
