import { catalogue } from '../format/catalogue';
import en from './words.en.json';

export const t = catalogue(en);
