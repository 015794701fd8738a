import * as en from './compiled/en/schoolTables';
import { extend } from './extend';

/** Words of tables that the administrator brings: people, courses, sections, staff. */
export const schoolTableTexts = extend(en.schoolTableTexts, {
  formula: (cell: string) => en.schoolTableTexts.formula({ cell: cell.slice(0, 40) }),
});
