import type { Company } from '../../api/types';
import { plural } from '../../format/nouns';
import { t } from './words';

/** What a rule of the figures is attached to. */
export interface Attached {
  measure: string;
  goalSet?: string | undefined;
  axis?: string | undefined;
}

export const AXES = ['rep', 'region', 'product', 'line', 'manager', 'company'] as const;

export const nameOf = (company: Company, code: string) =>
  company.measures.find((one) => one.code === code)?.name ?? code;

/** The head of a table of rules: what they apply to, what they say, and a column of buttons. */
export function RulesHead({ words }: { words: string[] }) {
  const all = [t('thresholds.measure'), t('thresholds.goalSet'), t('thresholds.rows'), ...words];
  return (
    <thead>
      <tr className="border-b border-ink text-[12px] text-quiet">
        {all.map((word) => (
          <th key={word} scope="col" className="px-2 py-1.5 font-normal">
            {word}
          </th>
        ))}
        <th scope="col">
          <span className="sr-only">{t('thresholds.actions')}</span>
        </th>
      </tr>
    </thead>
  );
}

/** What a rule applies to, as the first cells of its row. */
export function AppliesTo({ company, rule }: { company: Company; rule: Attached }) {
  return (
    <>
      <th scope="row" className="px-2 py-1.5 font-semibold">
        {nameOf(company, rule.measure)}
      </th>
      <td className="px-2 py-1.5">{rule.goalSet ?? t('thresholds.every')}</td>
      <td className="px-2 py-1.5">{rule.axis ? plural(rule.axis) : t('thresholds.every')}</td>
    </>
  );
}

/** What a change of the rules says to take one back. */
export const takenBack = ({ measure, goalSet, axis }: Attached) => ({
  measure,
  ...(goalSet ? { goalSet } : {}),
  ...(axis ? { axis } : {}),
  remove: true as const,
});

/** The standing where a rule applies, with one of its panels open. */
export function standingOf(rule: Attached, month: string, panel?: string): string {
  const parts = new URLSearchParams({ measure: rule.measure, to: month });
  if (panel) parts.set('panel', panel);
  if (rule.axis) parts.set('axis', rule.axis);
  if (rule.goalSet) parts.set('against', `set:${rule.goalSet}`);
  return `/standing?${parts.toString()}`;
}
