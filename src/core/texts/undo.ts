import * as en from './compiled/en/undo';
import { extend } from './extend';

/** Why undo does not go through; the server says it, so that pages need not carry these sentences. */
export const undoTexts = extend(en.undoTexts, {
  /** What hangs on a row that is to go, by the table it stands in. */
  inTheWay: (table: string, n: number) => {
    const { hanging } = en.undoTexts;
    return hanging[Object.hasOwn(hanging, table) ? (table as keyof typeof hanging) : 'other']({ n });
  },
});
