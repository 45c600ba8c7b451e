import { Link } from 'react-router';
import type { Company, Rules } from '../../api/types';
import { amount } from '../../format/figures';
import { plural } from '../../format/nouns';
import { smallButton } from '../../ui/Notice';
import { t } from './words';

interface ShadingPartProps {
  company: Company;
  rules: Rules;
  month: string;
}

const limit = (text: string) => (text === 'auto' ? t('shading.automatic') : amount(text));

/** From which variance on the shading is of full tone, and where that applies. */
export function ShadingPart({ company, rules, month }: ShadingPartProps) {
  return (
    <section aria-label={t('shading.title')} className="max-w-[760px]">
      <h2 className="text-[16px] font-bold">{t('shading.title')}</h2>
      <p className="mb-2 text-quiet">{t('shading.what')}</p>
      {rules.shading.length === 0 ? (
        <p>{t('shading.none')}</p>
      ) : (
        <table className="w-full bg-sheet text-left">
          <thead>
            <tr className="border-b border-ink text-[12px] text-quiet">
              {[
                t('thresholds.measure'),
                t('thresholds.goalSet'),
                t('thresholds.rows'),
                t('shading.unfavourable'),
                t('shading.favourable'),
              ].map((word) => (
                <th key={word} scope="col" className="px-2 py-1.5 font-normal">
                  {word}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">{t('thresholds.actions')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rules.shading.map((one) => (
              <tr
                key={`${one.measure} ${one.goalSet ?? ''} ${one.axis ?? ''}`}
                className="border-b border-rule"
              >
                <th scope="row" className="px-2 py-1.5 font-semibold">
                  {company.measures.find(({ code }) => code === one.measure)?.name ?? one.measure}
                </th>
                <td className="px-2 py-1.5">{one.goalSet ?? t('thresholds.every')}</td>
                <td className="px-2 py-1.5">
                  {one.axis ? plural(one.axis) : t('thresholds.every')}
                </td>
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

/** The standing where the limits apply; they are changed beside the figures that they shade. */
function standingOf(one: Rules['shading'][number], month: string): string {
  const parts = new URLSearchParams({ measure: one.measure, to: month });
  if (one.axis) parts.set('axis', one.axis);
  if (one.goalSet) parts.set('against', `set:${one.goalSet}`);
  return `/standing?${parts.toString()}`;
}
