import { offered } from '../../api/goalSets';
import type { Company } from '../../api/types';
import { capital, plural } from '../../format/nouns';
import { Pick } from '../../ui/Pick';
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

const EVERY = '';

interface AttachPickProps {
  company: Company;
  value: Attached;
  onChange: (value: Attached) => void;
}

/** What a rule is to be attached to: a measure, and a goal set and rows or every one. */
export function AttachPick({ company, value, onChange }: AttachPickProps) {
  const sets = offered(company).filter((set) => set.measures.includes(value.measure));
  return (
    <>
      <Pick
        label={t('thresholds.measure')}
        value={value.measure}
        options={company.measures.map((one) => ({ value: one.code, word: one.name }))}
        onChange={(measure) => onChange({ measure, axis: value.axis })}
      />
      <Pick
        label={t('thresholds.goalSet')}
        value={value.goalSet ?? EVERY}
        options={[
          { value: EVERY, word: t('thresholds.every') },
          ...sets.map(({ name }) => ({ value: name, word: name })),
        ]}
        onChange={(goalSet) => onChange({ ...value, goalSet: goalSet || undefined })}
      />
      <Pick
        label={t('thresholds.rows')}
        value={value.axis ?? EVERY}
        options={[
          { value: EVERY, word: t('thresholds.every') },
          ...AXES.map((one) => ({ value: one, word: capital(plural(one)) })),
        ]}
        onChange={(axis) => onChange({ ...value, axis: axis || undefined })}
      />
    </>
  );
}

/** What a rule is attached to, as a change of the rules says it. */
export const attachedTo = ({ measure, goalSet, axis }: Attached) => ({
  measure,
  ...(goalSet ? { goalSet } : {}),
  ...(axis ? { axis } : {}),
});

/** What a change of the rules says to take one back. */
export const takenBack = (rule: Attached) => ({ ...attachedTo(rule), remove: true as const });

/** The standing where a rule applies, with one of its panels open. */
export function standingOf(rule: Attached, month: string, panel?: string): string {
  const parts = new URLSearchParams({ measure: rule.measure, to: month });
  if (panel) parts.set('panel', panel);
  if (rule.axis) parts.set('axis', rule.axis);
  if (rule.goalSet) parts.set('against', `set:${rule.goalSet}`);
  return `/standing?${parts.toString()}`;
}
