import { plural } from '../../../format/nouns';
import { useQuery } from '@tanstack/react-query';
import { useRights } from '../../../api/account';
import { ask } from '../../../api/client';
import type { Load, Standing } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { Choice } from '../../../ui/Choice';
import { CompareMembers } from './CompareMembers';
import { CompareStandings } from './CompareStandings';
import { t } from '../words';

interface CompareViewProps {
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/** Two to four members, two spans, or the data with and without a load, on the same line. */
export default function CompareView({ view, standing, change }: CompareViewProps) {
  const { isOffice } = useRights();
  const loads = useQuery({
    queryKey: ['loads'],
    queryFn: () => ask<Load[]>('/loads'),
    enabled: isOffice,
  });
  const posted = (loads.data ?? []).filter((load) => load.state === 'posted');
  const options = [
    { value: '', word: t('compareView.upToFour', { axis: plural(view.axis) }) },
    { value: 'month', word: t('compareView.theseMonthsAndThePrior') },
    { value: 'year', word: t('compareView.theseMonthsAndLastYear') },
    ...posted
      .filter((load) => load.kind === 'actuals')
      .slice(0, 12)
      .map((load) => ({
        value: `load:${load.id}`,
        word: t('compareView.withAndWithout', { file: load.file }),
        remark: t('compareView.load', { id: load.id }),
      })),
  ];
  return (
    <div className="min-h-0 flex-1 overflow-auto pb-3">
      <div className="no-print mb-3">
        <Choice
          label={t('compareView.compare')}
          value={view.compare}
          options={options}
          onChange={(compare) => change({ compare: compare || null })}
        />
      </div>
      {view.compare === '' ? (
        <CompareMembers view={view} standing={standing} change={change} />
      ) : (
        <CompareStandings view={view} standing={standing} />
      )}
    </div>
  );
}
