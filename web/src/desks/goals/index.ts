/* The Goals desk: a fiscal year's goals as a sheet, changed in a draft, tried, and entered. Sums, spreads and effects
   are the server's; here cells are chosen, typed and pasted. */
export { GoalsDesk } from './GoalsDesk';
