import { useState } from 'react';
import { Link } from 'react-router';
import type { Company, Rules } from '../../api/types';
import { amount } from '../../format/figures';
import { smallButton } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Saved } from '../../ui/Saved';
import {
  AppliesTo,
  attachedTo,
  AttachPick,
  nameOf,
  RulesHead,
  standingOf,
  type Attached,
} from './AppliesTo';
import { useSaveRules } from './useRules';
import { t } from './words';

interface ShadingPartProps {
  company: Company;
  rules: Rules & { tag: string };
  month: string;
  first: string;
}

const AUTO = 'auto';

const limit = (text: string) => (text === AUTO ? t('shading.automatic') : amount(text));

/** Limits of the shading with where they apply; Standing changes them beside the figures, too. */
export function ShadingPart({ company, rules, month, first }: ShadingPartProps) {
  const save = useSaveRules(rules.tag);
  return (
    <section aria-label={t('shading.title')} className="max-w-[760px]">
      <h2 className="text-[16px] font-bold">{t('shading.title')}</h2>
      <p className="mb-2 text-quiet">{t('shading.what')}</p>
      {rules.shading.length === 0 ? (
        <p>{t('shading.none')}</p>
      ) : (
        <table className="w-full bg-sheet text-left">
          <RulesHead words={[t('shading.unfavourable'), t('shading.favourable')]} />
          <tbody>
            {rules.shading.map((one) => (
              <tr
                key={`${one.measure} ${one.goalSet ?? ''} ${one.axis ?? ''}`}
                className="border-b border-rule"
              >
                <AppliesTo company={company} rule={one} />
                <td className="px-2 py-1.5">{limit(one.bad)}</td>
                <td className="px-2 py-1.5">{limit(one.good)}</td>
                <td className="px-2 py-1 text-right whitespace-nowrap">
                  <Link className={smallButton} to={standingOf(one, month)}>
                    {t('shading.see')}
                  </Link>{' '}
                  <button
                    type="button"
                    className={smallButton}
                    disabled={save.isPending || (one.good === AUTO && one.bad === AUTO)}
                    aria-label={t('shading.automaticOf', {
                      measure: nameOf(company, one.measure),
                    })}
                    onClick={() =>
                      save.mutate({ shading: [{ ...attachedTo(one), good: AUTO, bad: AUTO }] })
                    }
                  >
                    {t('shading.toAutomatic')}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <SetShading company={company} first={first} save={save} />
      <Saved save={save} words={t('shading.saved')} />
      {save.isError && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </section>
  );
}

interface SetShadingProps {
  company: Company;
  first: string;
  save: ReturnType<typeof useSaveRules>;
}

/** A limit is an amount without a sign. */
const LIMIT = { decimals: 4 };

function SetShading({ company, first, save }: SetShadingProps) {
  const [to, setTo] = useState<Attached>({ measure: first });
  const [bad, setBad] = useState<string | null>('');
  const [good, setGood] = useState<string | null>('');
  const isReady = bad !== null && good !== null && (bad !== '' || good !== '');
  return (
    <form
      aria-label={t('shading.set')}
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isReady) return;
        save.mutate({ shading: [{ ...attachedTo(to), good: good || AUTO, bad: bad || AUTO }] });
      }}
    >
      <div className="grid grid-cols-3 gap-2">
        <AttachPick company={company} value={to} onChange={setTo} />
        <NumberField
          label={t('shading.unfavourable')}
          value=""
          kind={LIMIT}
          placeholder={t('shading.automatic')}
          onRead={setBad}
        />
        <NumberField
          label={t('shading.favourable')}
          value=""
          kind={LIMIT}
          placeholder={t('shading.automatic')}
          onRead={setGood}
        />
        <p className="self-start pt-[22px]">
          <button type="submit" className={smallButton} disabled={!isReady || save.isPending}>
            {t('shading.save')}
          </button>
        </p>
      </div>
    </form>
  );
}
