import * as en from './compiled/en/load';
import { extend } from './extend';
const of = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** Words about what falls due for the same students. */
export const loadTexts = extend(en.loadTexts, {
  cell: (
    day: string,
    own: readonly string[],
    others: number,
    titles: readonly string[],
    concerned: number,
    students: number,
    alarmed: number,
  ) =>
    [
      `${day}: ${own.length + others === 0 ? 'nothing due' : of(own.length + others, 'thing due', 'things due')}`,
      own.length > 0 ? own.join(', ') : '',
      others > 0 ? `${others} of other courses${titles.length > 0 ? ` (${titles.join(', ')})` : ''}` : '',
      concerned > 0 ? `${concerned} of ${of(students, 'student', 'students')} have something` : '',
      alarmed > 0 ? `${alarmed} have too much` : '',
    ]
      .filter(Boolean)
      .join('; '),
  hours: (minutes: number) => (minutes / 60).toFixed(1),
});
