import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useRights } from '../api/account';
import type { Company } from '../api/types';
import { isTyping } from '../ui/isTyping';
import { FIND_BOX } from './FindBox';
import { plusMonths, spanOf, type SpanKind } from '../address/span';
import { spanOnly } from '../address/useView';
import { desksOf } from './TopBar';
import { spanChanges, useView } from '../address/useView';
import { t } from './words';

const LIST: [string, string][] = [
  ['/', t('keys.findARepRegionOr')],
  [t('keys.n1To4'), t('keys.theDesksInTheirOrder')],
  [t('keys.and'), t('keys.previousMonthNextMonth')],
  ['m, q, y, t', t('keys.monthQuarterToDateYear')],
  [t('keys.shiftAndAClick'), t('keys.onAMonthAllMonths')],
  [t('keys.jAndK'), t('keys.nextRowPreviousRow')],
  ['Enter', t('keys.openTheFocusedRowFinding')],
  ['f', t('keys.showTheChartsFiguresAs')],
  ['?', t('keys.thisList')],
];

/** The keys that work on every desk. */
export function Keys({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const rights = useRights();
  const desks = useMemo(() => desksOf(rights), [rights]);
  const [isListed, setListed] = useState(false);

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const { span } = view;
      const step = { '[': -1, ']': 1 }[event.key];
      const desk = desks[Number(event.key) - 1];
      if (event.key === '/') {
        event.preventDefault();
        document.getElementById(FIND_BOX)?.focus();
      } else if (event.key === '?') {
        setListed(true);
      } else if (step) {
        const from = plusMonths(span.from, step);
        const to = plusMonths(span.to, step);
        change(spanChanges(spanOf(span.kind, to, company.calendar, from)));
      } else if (['m', 'q', 'y', 't'].includes(event.key)) {
        change(spanChanges(spanOf(event.key as SpanKind, span.to, company.calendar)));
      } else if (desk) {
        void navigate(desk.path + spanOnly(search));
      }
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [view, change, company, navigate, search, desks]);

  return (
    <Dialog open={isListed} onClose={() => setListed(false)} className="relative z-40">
      <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="w-[420px] rounded bg-sheet p-5 shadow-xl">
          <DialogTitle className="mb-3 text-[16px] font-bold">{t('keys.keysAndWords')}</DialogTitle>
          <dl className="grid grid-cols-[130px_1fr] gap-y-2">
            {LIST.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd className="text-quiet">{what}</dd>
              </div>
            ))}
          </dl>
          <button
            type="button"
            className="mt-4 rounded-sm border border-rule px-3 py-1.5 hover:border-select"
            onClick={() => setListed(false)}
          >
            {t('keys.closePanel')}
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
