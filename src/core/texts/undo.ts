import * as en from './compiled/en/undo';
import { extend } from './extend';
/** Why undo does not go through; the server says it, so that pages need not carry these sentences. */
export const undoTexts = extend(en.undoTexts, {
  /** What hangs on a row that is to go, by the table it stands in. */
  inTheWay: (table: string, n: number) => {
    const said: Readonly<Record<string, readonly [one: string, several: string]>> = {
      bookings: ['a time that was taken', 'times that were taken'],
      waiting: ['somebody who waits for a time', 'people who wait for a time'],
      roster: ['a place on a roster', 'places on rosters'],
      staff: ['a place on a staff', 'places on staffs'],
      group_members: ['a place in a group', 'places in groups'],
      extensions: ['an extended due date', 'extended due dates'],
      replies: ['an answer', 'answers'],
      done_marks: ['a tick on work done', 'ticks on work done'],
      own_starts: ['a start of a student', 'starts of students'],
      outlets: ['a feed or embed', 'feeds and embeds'],
      entry_audiences: ['an entry', 'entries'],
      entries: ['an entry', 'entries'],
      sheet_audiences: ['a sign-up sheet', 'sign-up sheets'],
      class_plans: ['a class plan', 'class plans'],
      materials: ['a material', 'materials'],
      slots: ['a time', 'times'],
      links: ['a link', 'links'],
    };
    const [one, several] = said[table] ?? ['something else', 'other things'];
    return n === 1 ? one : `${n} ${several}`;
  },
});
