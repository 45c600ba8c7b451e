export { RulesDesk } from './RulesDesk';
