export { StandingDesk } from './StandingDesk';
