import * as en from './compiled/en/signup';
import { extend } from './extend';
import { takeTexts } from './takeTimes';

const DAY = 24 * 60;

/** Words of sign-up sheets, on both sides of the table. */
export const signupTexts = extend(en.signupTexts, {
  /** Behind a field that holds a number, whatever is typed there. */
  people: (typed: string) => en.signupTexts.people({ n: Number(typed) }),
  notice: {
    minutes: (n: number) => {
      const { days, hours, minutes } = en.signupTexts.noticeBefore;
      if (n % DAY === 0) return days({ n: n / DAY });
      return n % 60 === 0 ? hours({ n: n / 60 }) : minutes({ n });
    },
  },
  run: {
    limits: (sheet: number, day = 0, week = 0) => en.signupTexts.mostOf({ sheet, day, week }),
    takeOffWhy: (names: readonly string[]) => en.signupTexts.takeOffWhy({ n: names.length, names }),
  },
  take: takeTexts,
});
