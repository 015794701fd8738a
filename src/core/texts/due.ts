import * as en from './compiled/en/due';
import { extend } from './extend';

const hours = (minutes: number) => Math.round(minutes / 6) / 10;

/** Words of a student's page of due work. */
export const dueTexts = extend(en.dueTexts, {
  effort: (minutes: number) => en.dueTexts.effort({ hours: hours(minutes) }),
  /** `unsaid`: pieces of work that say no effort. */
  week: (n: number, minutes: number, unsaid: number) =>
    n === 0
      ? en.dueTexts.nothingLeft
      : en.dueTexts.left({
          n,
          hours: minutes > 0 ? String(hours(minutes)) : undefined,
          unsaid: minutes > 0 ? unsaid : 0,
        }),
  /** A title for a note, no longer than one may be. */
  workOn: (title: string) => en.dueTexts.workOn({ title }).slice(0, 200),
});
