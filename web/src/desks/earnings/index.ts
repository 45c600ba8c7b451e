/* The Earnings desk: what a month pays, how it is given out and closed, and a rep's own month. Pay comes as text from
   the server; nothing is reckoned here, and no other desk is imported. */
export { EarningsDesk } from './EarningsDesk';
export { MyMonth } from './MyMonth';
