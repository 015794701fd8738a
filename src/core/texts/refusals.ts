import * as en from './compiled/en/refusals';

/** What a person is told, and what to do about it. */
export const refusalTexts = en.refusalTexts;

export const tooOftenText = (seconds: number): string =>
  en.refusalTexts.tooOftenMinutes({ minutes: seconds < 60 ? 1 : Math.ceil(seconds / 60) });
