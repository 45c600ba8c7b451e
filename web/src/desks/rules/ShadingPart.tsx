import { Link } from 'react-router';
import type { Company, Rules } from '../../api/types';
import { amount } from '../../format/figures';
import { smallButton } from '../../ui/Notice';
import { AppliesTo, RulesHead, standingOf } from './AppliesTo';
import { t } from './words';

interface ShadingPartProps {
  company: Company;
  rules: Rules;
  month: string;
}

const limit = (text: string) => (text === 'auto' ? t('shading.automatic') : amount(text));

/** Limits of the shading with where they apply; they are changed beside the figures they shade. */
export function ShadingPart({ company, rules, month }: ShadingPartProps) {
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
                <td className="px-2 py-1 text-right">
                  <Link className={smallButton} to={standingOf(one, month)}>
                    {t('thresholds.change')}
                  </Link>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
