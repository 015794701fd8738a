import { lineScanner } from '../quickline/lineScanner';
import { wholeAddress } from '../links/wholeAddress';
import { weekNumber } from '../time/term';
import type { Given } from './readPiece';
import { readPiece } from './readPiece';
import { findScheduleDate } from './scheduleDates';
import type { Above, Line, Reader } from './scheduleReader';
import { dateContext, emptyLine, isWork, LINK, WEEK, WEEK_OF } from './scheduleReader';
import type { Cell, ScheduleRow } from './scheduleRows';

/** A row of a table: what its columns say of one day. */
export function readRow({ text, cells }: ScheduleRow, above: Above, reader: Reader): Line[] {
  if (!cells || cells.length === 0) return [emptyLine(text, 'heading', text)];
  const filled = cells.filter((cell) => cell.text !== '');
  const when = readWhen(filled, above, reader);
  const told = filled.filter((cell) => !when.used.has(cell));
  if (told.length === 0) {
    if (when.given.week !== undefined) above.week = when.given.week;
    return [
      {
        ...emptyLine(text, 'heading', text),
        ...(when.given.week === undefined ? {} : { week: when.given.week }),
      },
    ];
  }
  const time = told.find(({ role }) => role === 'time');
  const kind = told.find(({ role }) => role === 'kind');
  const lines = told.flatMap((cell): Line[] => {
    if (cell === time || cell === kind || cell.role === 'points') return [];
    if (
      cell.role === 'notes' ||
      (cell.role === undefined && !isWork(cell.text) && told.some(({ role }) => role === 'topic'))
    )
      return [];
    if (cell.role === 'set') return [];
    if (/^(?:[-–—]|none|n\/a|tba|tbd|\.+)$/i.test(cell.text)) return [];
    const parts = cell.role === 'due' ? cell.text.split(/\s*[;\n]\s*/).filter(Boolean) : [cell.text];
    const role =
      kind && /due|assign|work|quiz/i.test(kind.text)
        ? 'due'
        : kind && /event|exam|trip/i.test(kind.text)
          ? 'event'
          : cell.role;
    return parts.flatMap((part) =>
      readPiece({
        text: time && !/\d/.test(part) ? `${part}, ${time.text}` : part,
        whole: text,
        above: { week: when.given.week ?? above.week },
        reader,
        role,
        given: when.given,
      }),
    );
  });
  const first = lines[0];
  const url = filled.map((cell) => LINK.exec(cell.text)?.[0]).find(Boolean);
  if (first && url && !lines.some(({ link }) => link)) first.link = wholeAddress(url.replace(/[.,;)]+$/, ''));
  const set = told.find(({ role }) => role === 'set');
  const setOn = set && findScheduleDate(lineScanner(set.text).find, dateContext(reader, when.given.week));
  const work = lines.find((line) => line.kind === 'due');
  if (work && setOn && !setOn.question) work.set = setOn.dates[0]!.toString();
  return lines.length > 0 ? lines : [emptyLine(text, 'nothing')];
}

/** When a row is, from its columns of weeks, dates and classes; a week without a number is that of the row above. */
function readWhen(
  cells: readonly Cell[],
  above: Above,
  reader: Reader,
): { given: Given; used: ReadonlySet<Cell> } {
  const used = new Set<Cell>();
  let given: Given = {};
  for (const cell of cells) {
    if (cell.role === 'week') {
      const number = /\d{1,2}/.exec(cell.text)?.[0];
      const date = findScheduleDate(lineScanner(cell.text).find, dateContext(reader));
      const week =
        date && !date.question && !/^\D*\d{1,2}\s*$/.test(cell.text)
          ? weekNumber(reader.context.term, date.dates[0]!)
          : number
            ? Number(number)
            : undefined;
      if (week !== undefined) above.week = week;
      used.add(cell);
    }
    if (cell.role === 'class') {
      const number = /^\D*(\d{1,3})\D*$/.exec(cell.text)?.[1];
      if (number) {
        given = { ...given, class: Number(number) };
        used.add(cell);
      }
    }
  }
  const dated = cells.filter(({ role }) => role === 'date');
  const joined = dated.map(({ text }) => text).join(' ');
  for (const cell of dated) used.add(cell);
  const week = WEEK.exec(joined);
  if (week) above.week = Number(week[1]);
  const date = findScheduleDate(lineScanner(joined).find, dateContext(reader, above.week));
  if (WEEK_OF.test(joined) && date && !date.question)
    above.week = weekNumber(reader.context.term, date.dates[0]!);
  else if (date && !(week && date.last)) given = { ...given, date };
  if (above.week !== undefined && !given.date) given = { ...given, week: above.week };
  // A first column that is no date says what it is about.
  if (!date && !week && joined !== '' && dated.length === 1 && !cells.some(({ role }) => role === 'week'))
    used.delete(dated[0]!);
  return { given, used };
}
