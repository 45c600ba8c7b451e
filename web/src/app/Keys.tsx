import { lazy, Suspense, useEffect, useMemo } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { useRights } from '../api/account';
import type { Company } from '../api/types';
import { plusMonths, spanOf, type SpanKind } from '../address/span';
import { carriedTo, spanChanges, useView } from '../address/useView';
import { usePreferences } from '../api/preferences';
import { setShortcuts, USUAL_KEYS, useShortcuts, type Shortcut } from '../ui/shortcuts';
import { FIND_BOX } from './FindBox';
import { desksOf } from './TopBar';
import { useHelp } from './useHelp';

const Help = lazy(async () => ({ default: (await import('./help/Help')).Help }));

const STEPS: Partial<Record<Shortcut, number>> = { previousMonth: -1, nextMonth: 1 };
const SPANS: Partial<Record<Shortcut, SpanKind>> = {
  month: 'm',
  quarter: 'q',
  year: 'y',
  twelve: 't',
};

/** The keys that work on every desk, and the help that lists them. */
export function Keys({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const rights = useRights();
  const desks = useMemo(() => desksOf(rights), [rights]);
  const [isListed, setListed] = useHelp();
  const { data: preferences } = usePreferences();
  useEffect(() => {
    if (!preferences) return undefined;
    setShortcuts(preferences);
    return () => setShortcuts(USUAL_KEYS); // whoever signs in next has others
  }, [preferences]);

  useShortcuts((shortcut, event) => {
    const { span } = view;
    const step = STEPS[shortcut];
    const kind = SPANS[shortcut];
    const desk = desks.find((_, at) => shortcut === `desk${at + 1}`);
    if (shortcut === 'find') {
      event.preventDefault();
      document.getElementById(FIND_BOX)?.focus();
    } else if (shortcut === 'help') {
      setListed(true);
    } else if (step) {
      const from = plusMonths(span.from, step);
      const to = plusMonths(span.to, step);
      change(spanChanges(spanOf(span.kind, to, company.calendar, from)));
    } else if (kind && pathname === '/standing') {
      change(spanChanges(spanOf(kind, span.to, company.calendar)));
    } else if (desk) {
      void navigate(desk.path + carriedTo(desk.path, search));
    }
  });

  return isListed ? (
    <Suspense>
      <Help onClose={() => setListed(false)} />
    </Suspense>
  ) : null;
}
