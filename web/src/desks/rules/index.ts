/* The Rules desk: company, plans, shared credit, names and what was changed, each beside its effect. What a rule
   does is tried by the server; here it is edited. */
export { RulesDesk } from './RulesDesk';
export { SetupPage } from './SetupPage';
