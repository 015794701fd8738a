import { Temporal } from 'temporal-polyfill';
import { lineScanner } from '../quickline/lineScanner';
import { scheduleTexts as say } from '../texts/schedule';
import { dateLabel } from '../time/dateLabels';
import { weekNumber } from '../time/term';
import { readPiece } from './readPiece';
import { readRow } from './readRow';
import { findScheduleDate, orderIn } from './scheduleDates';
import { readOwnList } from './ownList';
import { headingOf } from './scheduleHeadings';
import type { ClassDay, ScheduleLine } from './scheduleLine';
import type { Above, Line, Reader, ScheduleContext } from './scheduleReader';
import { dateContext, emptyLine, isWork } from './scheduleReader';
import { scheduleRows } from './scheduleRows';

/**
 * Reads a schedule as people keep it: lines, tables, headings by week or date. Each thing it says becomes a line with the
 * piece of text it came from; what is unclear is asked in `asks`, and nothing is guessed.
 */
export function readSchedule(text: string, context: ScheduleContext): ScheduleLine[] {
  const order = orderIn(text);
  const reader = { context, order };
  const own = readOwnList(text, reader);
  if (own) return own;
  const rows = scheduleRows(text);
  const above: Above = {};
  const lines = rows.flatMap((row, i) =>
    row.cells ? readRow(row, above, reader) : readLine(row.text, rows[i + 1]?.text, above, reader),
  );
  return inWeeks(withoutPreamble(lines), context).map(({ asks, ...line }) => ({ ...line, asks }));
}

/** A line of a list: a heading for those below it, or one thing or several. */
function readLine(text: string, next: string | undefined, above: Above, reader: Reader): Line[] {
  const heading = headingOf(text, next, above, reader);
  if (heading) return [heading];
  const parts = text.split(/\s*;\s*/).filter(Boolean);
  return (
    eachDated(parts, text, above, reader) ??
    withWork(parts, text, above, reader) ??
    readPiece({ text, whole: text, above, reader })
  );
}

const isDated = (text: string, above: Above, reader: Reader) =>
  findScheduleDate(lineScanner(text).find, dateContext(reader, above.week)) !== undefined;

/** Several things in one line, each with its own date and title. */
function eachDated(
  parts: readonly string[],
  whole: string,
  above: Above,
  reader: Reader,
): Line[] | undefined {
  if (parts.length < 2 || !parts.every((part) => isDated(part, above, reader))) return undefined;
  const lines = parts.map((text) => readPiece({ text, whole, above, reader }));
  return lines.every(([line]) => line !== undefined && line.title !== '') ? lines.flat() : undefined;
}

/** What a day is about, and behind a semicolon the work that is due on it. */
function withWork(parts: readonly string[], whole: string, above: Above, reader: Reader): Line[] | undefined {
  const [first = '', ...others] = parts;
  const isPlain = others.length > 0 && others.every((part) => isWork(part) && !isDated(part, above, reader));
  if (!isPlain || isWork(first) || !isDated(first, above, reader)) return undefined;
  const lines = readPiece({ text: first, whole, above, reader });
  const [line] = lines;
  if (!line?.date || line.asks.length > 0) return undefined;
  const day = { ...above, date: Temporal.PlainDate.from(line.date) };
  return [...lines, ...others.flatMap((text) => readPiece({ text, whole, above: day, reader }))];
}

/** What stands before the first line that has a day, a week or a class is the head of the page, unless nothing has one. */
function withoutPreamble(lines: readonly Line[]): Line[] {
  const placed = ({ date, week, class: number, kind, asks }: Line) =>
    date !== undefined ||
    week !== undefined ||
    number !== undefined ||
    kind === 'heading' ||
    kind === 'times' ||
    asks.some(({ choices }) => choices.length > 0);
  const first = lines.findIndex(placed);
  return lines.map((line, i) =>
    i < first && line.kind === 'topic' ? emptyLine(line.text, 'nothing') : line,
  );
}

/** Topics that name a week alone take its classes in order, where there are as many; one alone the first. */
function inWeeks(lines: readonly Line[], context: ScheduleContext): Line[] {
  const weekOfClass = ({ date }: ClassDay) => weekNumber(context.term, Temporal.PlainDate.from(date));
  const loose = (line: Line) =>
    line.kind === 'topic' && line.date === undefined && line.asks.length === 0 && line.week !== undefined;
  return lines.map((line) => {
    if (!loose(line)) return line;
    const classes = context.classes.filter((each) => weekOfClass(each) === line.week);
    const together = lines.filter((other) => loose(other) && other.week === line.week);
    const taken = new Set(
      lines.flatMap((other) => (other.kind === 'topic' && other.date ? [other.date] : [])),
    );
    const free = classes.filter(({ date }) => !taken.has(date));
    const at = together.indexOf(line);
    if (together.length === 1 || together.length === free.length) {
      const found = free[at];
      if (found) return { ...line, date: found.date };
    }
    const choices = free.map(({ date }) => ({
      label: dateLabel(Temporal.PlainDate.from(date), 'short', context.locale),
      value: date,
    }));
    return { ...line, asks: [{ field: 'date', question: say.whichClass({ week: line.week! }), choices }] };
  });
}
