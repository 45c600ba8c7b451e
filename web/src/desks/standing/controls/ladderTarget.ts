import type { View } from '../../../address/useView';
import type { Standing } from '../../../api/types';

/** What rules of a standing are attached to: measure, goal set and axis. */
export function ladderTarget(standing: Standing, view: View): Record<string, string> {
  return {
    measure: standing.measure,
    ...(view.basis.kind === 'set' ? { goalSet: view.basis.name } : {}),
    axis: standing.axis,
  };
}
