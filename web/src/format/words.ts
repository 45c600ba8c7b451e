import { catalogue } from './catalogue';
import en from './words.en.json';

export const t = catalogue(en);
