import * as en from './compiled/en/feeds';
import { extend } from './extend';
import { listed } from './entries';

/** Words inside feeds: they are read on phones, without Pembit around them. */
export const feedTexts = extend(en.feedTexts, {
  about: (courses: readonly string[], audience: 'public' | 'roster' | 'personal') =>
    `${listed(courses)}. ${
      {
        public: 'Anyone with its address can read this calendar.',
        roster:
          'Whoever holds its address can read this calendar: it is meant for the students of the course.',
        personal: 'Whoever holds its address can read this calendar: keep it to yourself.',
      }[audience]
    }`,
});
