/* The Briefing desk: a month told on one page. Sentences, figures and tables are the server's; here they are ordered,
   reworded, read anew, signed and handed on. */
export { BriefingDesk } from './BriefingDesk';
