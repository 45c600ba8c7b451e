import type { Company } from './types';

export type GoalSet = Company['goalSets'][number];

/** The goal sets that can be chosen anew; a retired one stays where it is chosen already. */
export function offered(company: Company, chosen?: string): GoalSet[] {
  return company.goalSets.filter((set) => !set.isRetired || set.name === chosen);
}
