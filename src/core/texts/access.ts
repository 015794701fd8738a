import * as en from './compiled/en/access';
/** Words about what not everybody can read, see or hear. */
export const accessTexts = en.accessTexts;
