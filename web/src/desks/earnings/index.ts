export { EarningsDesk } from './EarningsDesk';
