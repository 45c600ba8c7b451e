import { useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Company, LadderRule, Rules } from '../../api/types';
import { asPercent, monthName } from '../../format/figures';
import { capital, plural } from '../../format/nouns';
import { amount } from '../../format/amounts';
import { StatusMark } from '../../marks/StatusMark';
import { isShareScale, scaleWord } from '../../thresholds/ladder';
import { Failed, smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { Saved } from '../../ui/Saved';
import { AppliesTo, AXES, nameOf, RulesHead, standingOf, takenBack } from './AppliesTo';
import { LadderEditor } from './LadderEditor';
import { ReasonsPart } from './ReasonsPart';
import { ShadingPart } from './ShadingPart';
import { StretchesPart } from './StretchesPart';
import { useDecides, useSaveRules } from './useRules';
import { t } from './words';

interface ThresholdsPartProps {
  company: Company;
  rules: Rules & { tag: string };
  month: string;
  first: string;
}

/** All status thresholds with what they apply to, and which decide about a given row. */
export function ThresholdsPart({ company, rules, month, first }: ThresholdsPartProps) {
  const save = useSaveRules(rules.tag);
  // as they were when editing began: saving may put other versions in their place
  const [edited, setEdited] = useState<{ rule: LadderRule | null } | null>(null);
  const opener = useRef<HTMLButtonElement>(null);
  const parts = (
    <div
      className={`grid min-h-0 flex-1 content-start items-start gap-x-10 gap-y-6 overflow-auto px-[18px] py-2 ${edited ? '' : 'xl:grid-cols-[minmax(0,1fr)_340px]'}`}
    >
      <section aria-label={t('thresholds.thresholds')}>
        <table className="w-full bg-sheet text-left">
          <RulesHead
            words={[t('thresholds.from'), t('thresholds.basedOn'), t('thresholds.thresholds')]}
          />
          <tbody>
            {rules.ladders.map((ladder) => (
              <tr key={keyOf(ladder)} className="border-b border-rule align-top">
                <AppliesTo company={company} rule={ladder} />
                <td className="px-2 py-1.5 whitespace-nowrap">
                  {ladder.since ? monthName(ladder.since) : t('thresholds.always')}
                </td>
                <td className="px-2 py-1.5">{scaleWord(ladder.scale)}</td>
                <td className="px-2 py-1.5">
                  <Steps
                    isShare={isShare(company, ladder.measure, ladder.scale)}
                    rungs={ladder.rungs}
                  />
                </td>
                <td className="px-2 py-1 text-right whitespace-nowrap">
                  <Link className={smallButton} to={standingOf(ladder, month)}>
                    {t('thresholds.see')}
                  </Link>{' '}
                  <button
                    type="button"
                    className={smallButton}
                    aria-label={t('thresholds.changeOf', {
                      measure: nameOf(company, ladder.measure),
                      set: ladder.goalSet ?? '',
                    })}
                    aria-expanded={isOf(edited?.rule, ladder)}
                    onClick={(event) => {
                      opener.current = event.currentTarget;
                      setEdited({ rule: ladder });
                    }}
                  >
                    {t('thresholds.change')}
                  </button>{' '}
                  {(ladder.goalSet ?? ladder.axis ?? ladder.since) && (
                    <button
                      type="button"
                      className={smallButton}
                      disabled={save.isPending}
                      aria-label={t('thresholds.removeOf', {
                        measure: nameOf(company, ladder.measure),
                        set: ladder.goalSet ?? '',
                      })}
                      onClick={() => save.mutate({ ladders: [takenBack(ladder)] })}
                    >
                      {t('thresholds.remove')}
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="my-2">
          <button
            type="button"
            className={smallButton}
            aria-expanded={edited?.rule === null}
            onClick={(event) => {
              opener.current = event.currentTarget;
              setEdited({ rule: null });
            }}
          >
            {t('ladderEditor.add')}
          </button>
        </p>
        <Saved save={save} words={t('thresholds.saved')} />
        {save.isError && (
          <p role="alert" className="text-bad">
            {save.error.message}
          </p>
        )}
      </section>
      <Decides company={company} first={first} month={month} />
      <div className="space-y-6">
        <ShadingPart company={company} rules={rules} month={month} first={first} />
        <StretchesPart company={company} rules={rules} month={month} first={first} />
      </div>
      <ReasonsPart />
    </div>
  );
  return (
    <div
      className={`grid min-h-0 flex-1 ${edited ? 'grid-cols-[minmax(0,1fr)_var(--panel,360px)]' : ''}`}
    >
      {parts}
      {edited && (
        <LadderEditor
          key={edited.rule ? keyOf(edited.rule) : ''}
          company={company}
          rules={rules}
          month={month}
          rule={edited.rule}
          first={first}
          onClose={() => {
            setEdited(null);
            opener.current?.focus();
          }}
        />
      )}
    </div>
  );
}

const isOf = (edited: LadderRule | null | undefined, ladder: LadderRule) =>
  edited !== null && edited !== undefined && keyOf(edited) === keyOf(ladder);

const keyOf = (ladder: LadderRule) =>
  [ladder.measure, ladder.goalSet, ladder.axis, ladder.since].join(' ');

/** Whether thresholds are percentages; those of a rate always are. */
const isShare = (company: Company, code: string, scale: string | undefined) =>
  isShareScale(scale ?? '', company.measures.find((one) => one.code === code)?.unit ?? '');

interface StepsProps {
  /** Whether they start at percentages. */
  isShare: boolean;
  rungs: LadderRule['rungs'];
}

/** The statuses, lowest first, each with where it starts. */
function Steps({ isShare, rungs }: StepsProps) {
  return (
    <ul className="flex flex-wrap gap-x-4">
      {rungs.map((rung) => (
        <li key={rung.name} className="flex items-center gap-1.5 whitespace-nowrap">
          <StatusMark status={rung.name} tone={rung.tone} />
          {rung.from !== undefined && (
            <span className="text-quiet">
              {t(rung.bound === 'above' ? 'thresholds.above' : 'thresholds.atOrAbove', {
                from: isShare ? `${asPercent(rung.from)} %` : amount(rung.from),
              })}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

interface DecidesProps {
  company: Company;
  /** The measure that is asked about first. */
  first: string;
  month: string;
}

/** Which thresholds decide about a row, and which others would apply without them. */
function Decides({ company, first, month }: DecidesProps) {
  const [measure, setMeasure] = useState(first);
  const [set, setSet] = useState('');
  const [axis, setAxis] = useState<string>('rep');
  const sets = company.goalSets.filter((one) => one.measures.includes(measure));
  const chosen = sets.find((one) => one.name === set);
  const asked =
    measure === ''
      ? null
      : {
          measure,
          axis,
          month,
          goalSet: chosen?.name ?? '',
          isRange: String(chosen?.ranges.includes(measure) ?? false),
        };
  const decides = useDecides(asked);
  return (
    <section aria-label={t('thresholds.whichDecide')} className="space-y-2">
      <h2 className="text-[16px] font-bold">{t('thresholds.whichDecide')}</h2>
      <Pick
        label={t('thresholds.measure')}
        value={measure}
        options={company.measures.map((one) => ({ value: one.code, word: one.name }))}
        onChange={setMeasure}
      />
      <Pick
        label={t('thresholds.comparedWith')}
        value={chosen?.name ?? ''}
        options={[
          { value: '', word: t('thresholds.noSet') },
          ...sets.map(({ name }) => ({ value: name, word: name })),
        ]}
        onChange={setSet}
      />
      <Pick
        label={t('thresholds.rows')}
        value={axis}
        options={AXES.map((one) => ({ value: one, word: capital(plural(one)) }))}
        onChange={setAxis}
      />
      {decides.isError && <Failed error={decides.error} onRetry={() => void decides.refetch()} />}
      {decides.data && (
        <div className="border-l-4 border-select bg-sheet p-3" aria-live="polite">
          <p className="mb-1">
            {t('thresholds.decide', { month: monthName(month), words: decides.data.words })}
          </p>
          <Steps
            isShare={isShare(company, measure, decides.data.scale)}
            rungs={decides.data.rungs}
          />
          {decides.data.others.length > 0 && (
            <p className="mt-2 text-quiet">
              {t('thresholds.others', { others: decides.data.others.join('; ') })}
            </p>
          )}
        </div>
      )}
    </section>
  );
}
