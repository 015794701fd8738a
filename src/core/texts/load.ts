import * as en from './compiled/en/load';
import { extend } from './extend';
import { commas } from './formats';

const said = en.loadTexts;

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
      said.dueOn({ day, n: own.length + others }),
      ...(own.length > 0 ? [commas(own)] : []),
      ...(others > 0 ? [said.ofOthers({ n: others, titles })] : []),
      ...(concerned > 0 ? [said.haveSomething({ n: concerned, students })] : []),
      ...(alarmed > 0 ? [said.haveTooMuch({ n: alarmed })] : []),
    ].join('; '),
  hours: (minutes: number) => (minutes / 60).toFixed(1),
});
