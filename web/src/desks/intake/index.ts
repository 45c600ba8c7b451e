export { IntakeDesk } from './IntakeDesk';
