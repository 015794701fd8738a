import * as en from './compiled/en/trust';
import { extend } from './extend';

/** What is said of how a date came to be as it is, and in letters about a change. */
export const trustTexts = extend(en.trustTexts, {told: (told: number, failed: number, seen: number) =>
    [told === 1 ? 'told 1' : `told ${told}`, failed > 0 ? `${failed} failed` : '', seen === 1 ? '1 has seen it since' : `${seen} have seen it since`]
      .filter(Boolean)
      .join(', '),
lettersSoFar: (summary: string, { told, gathered, sent, failed, shown }: Readonly<{ told: number; gathered: number; sent: number; failed: number; shown: number }>) =>
    `${summary}: ${sent} of ${told - gathered === 1 ? '1 letter' : `${told - gathered} letters`} sent${gathered === 0 ? '' : `, ${gathered} in the letter of the day`}${failed === 0 ? '' : `, ${failed} could not be delivered`}${shown === 0 ? '' : `; shown on ${shown === 1 ? '1 device' : `${shown} devices`}`}.`}); // prettier-ignore
