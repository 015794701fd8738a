/** Ways to write dates that the school may choose, each with its name in that language. The words stay English. */
export const LOCALES = {
  'en-GB': 'English, day first (Thu 15 Oct)',
  'en-US': 'English, month first (Thu, Oct 15)',
  'en-CA': 'English (Canada)',
  'fr-CA': 'Français (Canada)',
  'fr-FR': 'Français',
  'de-DE': 'Deutsch',
  'es-ES': 'Español',
  'nb-NO': 'Norsk bokmål',
  'sv-SE': 'Svenska',
  'nl-NL': 'Nederlands',
} as const;
export type Locale = keyof typeof LOCALES;

/** The days on which a week may begin, by ISO 8601 number. */
export const WEEK_STARTS = [1, 7, 6] as const;
