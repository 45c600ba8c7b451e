export { PlaybookDesk } from './PlaybookDesk';
