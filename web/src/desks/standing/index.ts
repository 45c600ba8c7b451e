/* The Standing desk: actuals against goals, drawn, narrowed, explained and taken out. Figures come as text; the
   only numbers here are places on the screen. */
export { StandingDesk } from './StandingDesk';
