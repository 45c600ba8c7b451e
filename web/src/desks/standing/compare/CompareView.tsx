import { plural } from '../../../format/figures';
import { useQuery } from '@tanstack/react-query';
import { useRights } from '../../../api/account';
import { ask } from '../../../api/client';
import type { Load, Standing } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { Choice } from '../../../ui/Choice';
import { CompareMembers } from './CompareMembers';
import { CompareStandings } from './CompareStandings';

interface CompareViewProps {
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/** Two to four members, two spans, or the data with and without a load, on the same line. */
export function CompareView({ view, standing, change }: CompareViewProps) {
  const { isOffice } = useRights();
  const loads = useQuery({
    queryKey: ['loads'],
    queryFn: () => ask<Load[]>('/loads'),
    enabled: isOffice,
  });
  const posted = (loads.data ?? []).filter((load) => load.state === 'posted');
  const options = [
    { value: '', word: `up to four ${plural(view.axis)}` },
    { value: 'month', word: 'this span and the one before' },
    { value: 'year', word: 'this span and a year before' },
    ...posted
      .filter((load) => load.kind === 'actuals')
      .slice(0, 12)
      .map((load) => ({
        value: `load:${load.id}`,
        word: `with and without ${load.file}`,
        remark: `load ${load.id}`,
      })),
  ];
  return (
    <div className="min-h-0 flex-1 overflow-auto pb-3">
      <div className="no-print mb-3">
        <Choice
          label="Compare"
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
