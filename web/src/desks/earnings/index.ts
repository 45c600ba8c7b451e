export { EarningsDesk } from './EarningsDesk';
export { MyMonth } from './MyMonth';
