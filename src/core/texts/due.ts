import * as en from './compiled/en/due';
import { extend } from './extend';
const hours = (minutes: number) => `${Math.round(minutes / 6) / 10} h`;

/** Words of a student's page of due work. */
export const dueTexts = extend(en.dueTexts, {
  effort: (minutes: number) => `about ${hours(minutes)}`,
  week: (n: number, minutes: number, unsaid: number) =>
    n === 0
      ? 'Nothing more is due this week.'
      : [
          n === 1 ? 'Left this week: 1 piece of work' : `Left this week: ${n} pieces of work`,
          minutes > 0 ? `, about ${hours(minutes)}` : '',
          minutes > 0 && unsaid > 0 ? ` and ${unsaid} without an estimate` : '',
          '.',
        ].join(''),
  workOn: (title: string) => `Work on: ${title}`.slice(0, 200),
});
