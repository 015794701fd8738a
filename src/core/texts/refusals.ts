import * as en from './compiled/en/refusals';

/** What a person is told, and what to do about it. */
export const refusalTexts = en.refusalTexts;

export const tooOftenText = (seconds: number): string =>
  seconds < 60
    ? 'This was tried too often. Try again in a minute.'
    : `This was tried too often. Try again in ${Math.ceil(seconds / 60)} minutes.`;
