import * as en from './compiled/en/trust';
import { extend } from './extend';

type Letters = Readonly<{ told: number; gathered: number; sent: number; failed: number; shown: number }>;

/** What is said of how a date came to be as it is, and in letters about a change. */
export const trustTexts = extend(en.trustTexts, {
  lettersSoFar: (summary: string, letters: Letters) =>
    en.trustTexts.sentSoFar({ ...letters, summary, letters: letters.told - letters.gathered }),
});
