import * as en from './compiled/en/schoolTables';
import { extend } from './extend';
/** Words of tables that the administrator brings: people, courses, sections, staff. */
export const schoolTableTexts = extend(en.schoolTableTexts, {
  report: (fresh: number, same: number, faults: number) =>
    [
      fresh === 0 ? 'Nothing in it is new.' : fresh === 1 ? '1 line is new.' : `${fresh} lines are new.`,
      same === 0 ? '' : same === 1 ? '1 is here already.' : `${same} are here already.`,
      faults === 0 ? '' : faults === 1 ? '1 cannot be taken.' : `${faults} cannot be taken.`,
    ]
      .filter(Boolean)
      .join(' '),
  formula: (cell: string) => `“${cell.slice(0, 40)}” begins like a formula.`,
  noSuchRole: (role: string) =>
    role === 'substitute'
      ? 'A substitute has a first and a last day: add them on the course’s page.'
      : 'A role is instructor, co-instructor or assistant.',
});
