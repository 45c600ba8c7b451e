import { useState } from 'react';
import { Link } from 'react-router';
import type { Company, Rules } from '../../api/types';
import { asPercent, shifted } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { Saved } from '../../ui/Saved';
import {
  AppliesTo,
  attachedTo,
  AttachPick,
  nameOf,
  RulesHead,
  standingOf,
  takenBack,
  type Attached,
} from './AppliesTo';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { useSaveRules } from './useRules';
import { t } from './words';

interface StretchesPartProps {
  company: Company;
  rules: Rules & { tag: string };
  month: string;
  first: string;
}

const OF_WORDS = { goal: t('stretches.ofGoal'), 'last-year': t('stretches.ofLastYear') } as const;

/** Where lanes are parted behind their bars, by percents of the goal or of last year. */
export function StretchesPart({ company, rules, month, first }: StretchesPartProps) {
  const save = useSaveRules(rules.tag);
  return (
    <section aria-label={t('stretches.title')} className="max-w-[760px]">
      <h2 className="text-[16px] font-bold">{t('stretches.title')}</h2>
      <p className="mb-2 text-quiet">{t('stretches.what')}</p>
      {rules.stretches.length > 0 && (
        <table className="mb-2 w-full bg-sheet text-left">
          <RulesHead words={[t('stretches.percents')]} />
          <tbody>
            {rules.stretches.map((one) => (
              <tr
                key={`${one.measure} ${one.goalSet ?? ''} ${one.axis ?? ''}`}
                className="border-b border-rule"
              >
                <AppliesTo company={company} rule={one} />
                <td className="px-2 py-1.5">
                  {one.at.map(asPercent).join(', ')} {OF_WORDS[one.of]}
                </td>
                <td className="px-2 py-1 text-right whitespace-nowrap">
                  <Link className={smallButton} to={standingOf(one, month)}>
                    {t('stretches.see')}
                  </Link>{' '}
                  <button
                    type="button"
                    className={smallButton}
                    disabled={save.isPending}
                    aria-label={t('stretches.removeOf', {
                      measure: nameOf(company, one.measure),
                    })}
                    onClick={() => save.mutate({ stretches: [takenBack(one)] })}
                  >
                    {t('thresholds.remove')}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <AddStretches company={company} first={first} save={save} />
      <Saved save={save} words={t('stretches.saved')} />
      {save.isError && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </section>
  );
}

interface AddStretchesProps {
  company: Company;
  first: string;
  save: ReturnType<typeof useSaveRules>;
}

function AddStretches({ company, first, save }: AddStretchesProps) {
  const [to, setTo] = useState<Attached>({ measure: first });
  const [of, setOf] = useState<'goal' | 'last-year'>('goal');
  const [percents, setPercents] = useState('25 50 75');
  const at = sharesOf(percents);
  return (
    <form
      aria-label={t('stretches.add')}
      onSubmit={(event) => {
        event.preventDefault();
        if (at === null) return;
        save.mutate({ stretches: [{ ...attachedTo(to), of, at }] });
      }}
    >
      <div className="grid grid-cols-3 gap-2">
        <AttachPick company={company} value={to} onChange={setTo} />
        <Labelled
          label={t('stretches.percents')}
          fault={at === null ? t('stretches.rising') : undefined}
        >
          <Input value={percents} onChange={(event) => setPercents(event.target.value)} />
        </Labelled>
        <Pick
          label={t('stretches.of')}
          value={of}
          options={Object.entries(OF_WORDS).map(([value, word]) => ({ value, word }))}
          onChange={(value) => setOf(value === 'goal' ? 'goal' : 'last-year')}
        />
        <p className="self-start pt-[22px]">
          <button type="submit" className={smallButton} disabled={at === null || save.isPending}>
            {t('stretches.save')}
          </button>
        </p>
      </div>
    </form>
  );
}

/** "25 50 75" as shares; null where one is no percent. Whether they rise the server says. */
function sharesOf(text: string): string[] | null {
  const reads = text
    .trim()
    .split(/[\s;%]+/)
    .filter((one) => one !== '')
    .map((one) => readNumber(one, { decimals: 4 }));
  const shares = reads.flatMap((read) =>
    read.kind === 'number' ? [shifted(read.decimal, -2)] : [],
  );
  return shares.length > 0 && shares.length === reads.length ? shares : null;
}
