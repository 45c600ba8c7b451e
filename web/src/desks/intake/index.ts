/* The Intake desk: files come in, are told how they are read, settled, posted and reversed. A file's content is
   understood by the server; here it is shown and decided about. */
export { IntakeDesk } from './IntakeDesk';
