import { useState } from 'react';
import type { Company, MeasureRule, Rules } from '../../api/types';
import { field } from '../../ui/field';
import { mainButton, smallButton } from '../../ui/Notice';
import { tagOf, useSaveRules } from './useRules';
import { Saved } from '../../ui/Saved';
import { Select } from '../../ui/Select';
import { t } from './words';

const DIRECTIONS = ['HIGHER', 'LOWER', 'NEAREST'] as const;

interface Draft {
  code: string;
  name: string;
  unit: string;
  scale: string;
  direction: string;
  quotient: string[] | null;
  /** What its actuals are read from: won-deals, or empty for files. */
  fedBy: string;
  isNew: boolean;
}

interface MeasuresPartProps {
  company: Company;
  rules: Rules & { tag: string };
}

/** What is counted: each measure's name, unit, decimals, and which way is better. */
export function MeasuresPart({ company, rules }: MeasuresPartProps) {
  const [begun, setBegun] = useState(rules);
  const save = useSaveRules(tagOf(begun, rules, 'measures'));
  const [drafts, setDrafts] = useState(() => begun.measures.map(toDraft));
  const change = (at: number, part: Partial<Draft>) =>
    setDrafts(drafts.map((draft, place) => (place === at ? { ...draft, ...part } : draft)));
  const cell = `${field} min-w-0`;
  return (
    <form
      aria-label={t('measuresPart.measures')}
      className="max-w-[900px] space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(
          { measures: drafts.filter((draft) => draft.code.trim() !== '').map(toRule) },
          {
            onSuccess: (saved) => {
              setBegun(saved);
              setDrafts(saved.measures.map(toDraft));
            },
          },
        );
      }}
    >
      <h2 className="text-[16px] font-bold">{t('measuresPart.measures')}</h2>
      <p className="text-quiet">{t('measuresPart.what')}</p>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[700px]">
          <thead className="text-left text-quiet">
            <tr>
              <th scope="col" className="pr-2 font-normal">
                {t('measuresPart.name')}
              </th>
              <th scope="col" className="pr-2 font-normal">
                {t('measuresPart.code')}
              </th>
              <th scope="col" className="pr-2 font-normal">
                {t('measuresPart.unit')}
              </th>
              <th scope="col" className="pr-2 font-normal">
                {t('measuresPart.decimals')}
              </th>
              <th scope="col" className="pr-2 font-normal">
                {t('measuresPart.direction')}
              </th>
              <th scope="col" className="font-normal">
                {t('measuresPart.fedBy')}
              </th>
            </tr>
          </thead>
          <tbody>
            {drafts.map((draft, at) => (
              <tr key={at} className="align-top">
                <td className="py-0.5 pr-2">
                  <input
                    aria-label={t('measuresPart.nameOf', { code: draft.code || at + 1 })}
                    className={cell}
                    maxLength={60}
                    value={draft.name}
                    placeholder={company.measures.find(({ code }) => code === draft.code)?.name}
                    onChange={(event) => change(at, { name: event.target.value })}
                  />
                </td>
                <td className="w-[130px] py-0.5 pr-2">
                  {draft.isNew ? (
                    <input
                      aria-label={t('measuresPart.codeOf', { number: at + 1 })}
                      className={cell}
                      value={draft.code}
                      placeholder={t('measuresPart.codeExample')}
                      onChange={(event) => change(at, { code: event.target.value.trim() })}
                    />
                  ) : (
                    <span className="inline-block py-1">{draft.code}</span>
                  )}
                </td>
                {draft.quotient ? (
                  <td colSpan={2} className="py-1.5 pr-2 text-quiet">
                    {draft.quotient.join(' ÷ ')}
                  </td>
                ) : (
                  <>
                    <td className="w-[96px] py-0.5 pr-2">
                      <input
                        aria-label={t('measuresPart.unitOf', { code: draft.code || at + 1 })}
                        className={cell}
                        value={draft.unit}
                        onChange={(event) => change(at, { unit: event.target.value.trim() })}
                      />
                    </td>
                    <td className="w-[76px] py-0.5 pr-2">
                      <input
                        aria-label={t('measuresPart.decimalsOf', { code: draft.code || at + 1 })}
                        className={cell}
                        inputMode="numeric"
                        value={draft.scale}
                        onChange={(event) => change(at, { scale: event.target.value.trim() })}
                      />
                    </td>
                  </>
                )}
                <td className="w-[210px] py-0.5 pr-2">
                  <Select
                    aria-label={t('measuresPart.directionOf', { code: draft.code || at + 1 })}
                    className={cell}
                    value={draft.direction}
                    onChange={(event) => change(at, { direction: event.target.value })}
                  >
                    {DIRECTIONS.map((one) => (
                      <option key={one} value={one}>
                        {t(`measuresPart.way.${one}`)}
                      </option>
                    ))}
                  </Select>
                </td>
                <td className="w-[120px] py-0.5">
                  {draft.quotient === null && draft.direction === 'HIGHER' && (
                    <Select
                      aria-label={t('measuresPart.fedByOf', { code: draft.code || at + 1 })}
                      className={cell}
                      value={draft.fedBy}
                      onChange={(event) => change(at, { fedBy: event.target.value })}
                    >
                      <option value="">{t('measuresPart.files')}</option>
                      <option value="won-deals">{t('measuresPart.wonDeals')}</option>
                    </Select>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className={smallButton}
        onClick={() =>
          setDrafts([
            ...drafts,
            {
              code: '',
              name: '',
              unit: drafts.find(({ unit }) => unit.length === 3)?.unit ?? 'EUR',
              scale: '2',
              direction: 'HIGHER',
              quotient: null,
              fedBy: '',
              isNew: true,
            },
          ])
        }
      >
        {t('measuresPart.add')}
      </button>
      <p className="flex items-baseline gap-3">
        <button type="submit" className={mainButton} disabled={save.isPending}>
          {t('measuresPart.save')}
        </button>
        <Saved save={save} words={t('measuresPart.saved')} />
      </p>
      {save.isError && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

function toDraft(rule: MeasureRule): Draft {
  return {
    code: rule.code,
    name: rule.name ?? '',
    unit: rule.unit ?? '',
    scale: rule.scale === undefined ? '' : String(rule.scale),
    direction: rule.direction,
    quotient: rule.quotient ?? null,
    fedBy: rule.fedBy ?? '',
    isNew: false,
  };
}

function toRule({ code, name, unit, scale, direction, quotient, fedBy }: Draft): MeasureRule {
  if (quotient) return { code, name, direction, quotient };
  const decimals = ['0', '1', '2', '3', '4', '5', '6', '7', '8'].indexOf(scale);
  const fed = direction === 'HIGHER' ? fedBy : '';
  return { code, name, unit, scale: decimals, direction, fedBy: fed };
}
