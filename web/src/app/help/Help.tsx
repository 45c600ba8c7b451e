import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { StatusMark } from '../../marks/StatusMark';
import { forgetTour } from '../../ui/tour';
import { useKeepPreferences, usePreferences } from '../../api/preferences';
import { KEY_NAMES } from '../../ui/keyNames';
import { keyOf } from '../../ui/shortcuts';
import { t } from './words';

/** What keys with others, or with the mouse, do. */
const MORE_KEYS = [
  [t('help.keys.numbers'), t('help.keys.desks')],
  [t('help.keys.shiftClick'), t('help.keys.range')],
  [t('help.keys.ctrlClick'), t('help.keys.pickMany')],
  ['Enter', t('help.keys.open')],
] as const;

const WORDS = [
  ['actual', t('help.words.actual'), t('help.means.actual')],
  ['goal', t('help.words.goal'), t('help.means.goal')],
  ['variance', t('help.words.variance'), t('help.means.variance')],
  ['attainment', t('help.words.attainment'), t('help.means.attainment')],
  ['shortfall', t('help.words.shortfall'), t('help.means.shortfall')],
  ['goalToDate', t('help.words.goalToDate'), t('help.means.goalToDate')],
  ['projected', t('help.words.projected'), t('help.means.projected')],
  ['needed', t('help.words.needed'), t('help.means.needed')],
  ['threshold', t('help.words.threshold'), t('help.means.threshold')],
  ['credited', t('help.words.credited'), t('help.means.credited')],
  ['floor', t('help.words.floor'), t('help.means.floor')],
  ['due', t('help.words.due'), t('help.means.due')],
  ['correction', t('help.words.correction'), t('help.means.correction')],
  ['hold', t('help.words.hold'), t('help.means.hold')],
  ['controlTotal', t('help.words.controlTotal'), t('help.means.controlTotal')],
  ['insight', t('help.words.insight'), t('help.means.insight')],
] as const;

const STATUSES = [
  [t('help.status.past'), t('help.marks.pastStatus'), { tone: 'good', isPast: true }],
  [t('help.status.good'), t('help.marks.goodStatus'), { tone: 'good' }],
  [t('help.status.near'), t('help.marks.nearStatus'), { tone: 'near' }],
  [t('help.status.bad'), t('help.marks.badStatus'), { tone: 'bad' }],
  [t('help.status.none'), t('help.marks.noStatus'), { tone: 'neutral' }],
] as const;

/** Each mark of a lane by itself, as it is drawn in the rows. */
const LANE: [ReactNode, string][] = [
  [<rect key="bar" x="2" y="7" width="40" height="10" fill="var(--good)" />, t('help.marks.bar')],
  [
    <g key="gap">
      <rect
        x="2"
        y="7"
        width="40"
        height="10"
        fill="var(--bad)"
        fillOpacity="0.14"
        stroke="var(--bad)"
        strokeOpacity="0.5"
      />
      <path
        d="M8 17l8-10M18 17l8-10M28 17l8-10"
        stroke="var(--bad)"
        strokeOpacity="0.6"
        strokeWidth="1.5"
      />
    </g>,
    t('help.marks.gap'),
  ],
  [<rect key="past" x="2" y="4" width="40" height="16" fill="var(--past)" />, t('help.marks.past')],
  [<path key="line" d="M22 1v22" stroke="var(--ink)" strokeWidth="2.5" />, t('help.marks.goal')],
  [
    <path
      key="year"
      d="M22 7l5 5-5 5-5-5Z"
      fill="var(--sheet)"
      stroke="var(--ink)"
      strokeWidth="1.3"
    />,
    t('help.marks.lastYear'),
  ],
  [
    <path
      key="landing"
      d="M4 12h36"
      stroke="var(--ink)"
      strokeWidth="2.5"
      strokeDasharray="2.5 3"
    />,
    t('help.marks.projected'),
  ],
  [<path key="floor" d="M22 8l6 9H16Z" fill="var(--quiet)" />, t('help.marks.floor')],
  [
    <path key="ceiling" d="M19 4h5v16h-5" fill="none" stroke="var(--quiet)" strokeWidth="2.2" />,
    t('help.marks.ceiling'),
  ],
  [
    <path
      key="range"
      d="M14 4H9v16h5M30 4h5v16h-5"
      fill="none"
      stroke="var(--ink)"
      strokeWidth="2.2"
    />,
    t('help.marks.range'),
  ],
];

/** What the words and marks mean, and what the keys do. */
export function Help({ onClose }: { onClose: () => void }) {
  const { data: preferences } = usePreferences();
  const keep = useKeepPreferences();
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="flex max-h-full w-[860px] flex-col rounded bg-sheet shadow-xl">
          <div className="flex items-baseline justify-between gap-4 border-b border-rule px-5 py-3">
            <DialogTitle className="text-[18px] font-bold">{t('help.title')}</DialogTitle>
            <button
              type="button"
              className="rounded-sm border border-field px-3 py-1 hover:border-select"
              onClick={onClose}
            >
              {t('help.close')}
            </button>
          </div>
          <div className="min-h-0 overflow-auto px-5 py-4">
            <p className="mb-4">
              <a href="/standing" className="text-select underline" onClick={forgetTour}>
                {t('help.tour')}
              </a>
            </p>
            <Part title={t('help.wordsTitle')}>
              <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
                {WORDS.map(([id, word, meaning]) => (
                  <div key={id}>
                    <dt className="font-semibold">{word}</dt>
                    <dd className="text-quiet">{meaning}</dd>
                  </div>
                ))}
              </dl>
            </Part>
            <Part title={t('help.marksTitle')}>
              <ul className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
                {STATUSES.map(([word, meaning, mark]) => (
                  <li key={word} className="flex items-center gap-3">
                    <span className="w-[110px]">
                      <StatusMark status={word} {...mark} />
                    </span>
                    <span className="text-quiet">{meaning}</span>
                  </li>
                ))}
                {LANE.map(([mark, meaning]) => (
                  <li key={meaning} className="flex items-center gap-3">
                    <svg width="44" height="24" viewBox="0 0 44 24" aria-hidden="true">
                      {mark}
                    </svg>
                    <span className="text-quiet">{meaning}</span>
                  </li>
                ))}
              </ul>
            </Part>
            <Part title={t('help.keysTitle')}>
              <label className="mb-2 flex min-h-6 items-center gap-2">
                <input
                  type="checkbox"
                  checked={preferences?.keysOn ?? true}
                  disabled={!preferences || keep.isPending}
                  onChange={(event) => {
                    if (preferences) keep.mutate({ ...preferences, keysOn: event.target.checked });
                  }}
                />
                {t('help.keysAreOn')}
              </label>
              <p className="mb-2">
                <a href="/account" className="text-select underline">
                  {t('help.keysInAccount')}
                </a>
              </p>
              <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
                {[
                  ...KEY_NAMES.map(([action, what]) => [keyOf(action, preferences), what] as const),
                  ...MORE_KEYS,
                ].map(([key, what]) => (
                  <div key={what} className="contents">
                    <dt className="font-semibold whitespace-pre">{key}</dt>
                    <dd className="text-quiet">{what}</dd>
                  </div>
                ))}
              </dl>
            </Part>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mb-5">
      <h3 className="mb-2 text-[15px] font-bold">{title}</h3>
      {children}
    </section>
  );
}
