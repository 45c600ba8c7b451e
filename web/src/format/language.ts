/** The language of the catalogues; a second one is a second file of messages beside each. */
export const LANGUAGE = 'en';
