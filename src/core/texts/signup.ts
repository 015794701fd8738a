import * as en from './compiled/en/signup';
import { extend } from './extend';
import { takeTexts } from './takeTimes';

/** Words of sign-up sheets, on both sides of the table. */
export const signupTexts = extend(en.signupTexts, {
  people: (n: string) => (n.trim() === '1' ? 'person' : 'people'),
  freeWords: (meet: number, gaps: number, rest: number) =>
    [`${meet} min`, gaps > 0 ? `${gaps} between` : '', rest > 0 ? `${rest} left over` : '']
      .filter(Boolean)
      .join(', '),
  notice: {
    minutes: (n: number) =>
      n % (24 * 60) === 0
        ? `until ${n === 24 * 60 ? '1 day' : `${n / 24 / 60} days`} before`
        : n % 60 === 0
          ? `until ${n === 60 ? '1 hour' : `${n / 60} hours`} before`
          : `until ${n} minutes before`,
  },
  run: {
    limits: (sheet: number, day?: number, week?: number) =>
      [`${sheet} for each student`, day ? `${day} a day` : '', week ? `${week} a week` : '']
        .filter(Boolean)
        .join(', '),
    takeOffWhy: (names: string) => `What ${names} ${names.includes(' and ') ? 'read' : 'reads'} about it`,
  },
  take: takeTexts,
});
