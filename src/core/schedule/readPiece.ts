import { classOf } from '../time/classNumber';
import { lineScanner } from '../quickline/lineScanner';
import { wholeAddress } from '../links/wholeAddress';
import { scheduleTexts as say } from '../texts/schedule';
import { kindOf } from './kindOfLine';
import { CLOSURE, DUE, PROSE, TIMES } from './lineKind';
import { askDate, askDayOfWeek, askEnd, askKind, schoolDaysOf } from './scheduleAsks';
import type { ScheduleDate } from './scheduleDates';
import { findScheduleDate } from './scheduleDates';
import type { ScheduleAsk } from './scheduleLine';
import type { Above, Line, Reader } from './scheduleReader';
import { dateContext, emptyLine, LINK, WEEK } from './scheduleReader';
import type { Role } from './scheduleRows';
import { closureTitle, titleOf } from './scheduleTitles';
import { takeDates, takeTimes } from './takeMoments';

const POINTS = /\(?\s*\b(\d{1,4})\s*(?:points?|pts?\.?|marks?)\b\s*\)?/i;
const PERCENT = /\(\s*\d{1,3}\s*%\s*\)/;
const CLASS = /(?<![\w-])(?:class|lecture|session|lesson|meeting)\s*#?\s*(\d{1,3})\b\s*[:.)–—-]?/i;

type Piece = Readonly<{
  text: string;
  whole: string;
  above: Above;
  reader: Reader;
  role?: Role;
  given?: Given;
}>;
/** What the other cells of a row say. */
export type Given = Readonly<{ date?: ScheduleDate; week?: number; class?: number; time?: string }>;

/** One thing, or, where a title has a row of dates, one for each of them. */
export function readPiece({ text, whole, above, reader, role, given = {} }: Piece): Line[] {
  const scan = lineScanner(text);
  const { context } = reader;
  const line = emptyLine(whole, 'nothing');
  const asks: ScheduleAsk[] = [];
  const link = scan.find(LINK);
  if (link) {
    const typed = link[0].replace(/[.,;)]+$/, '');
    line.link = wholeAddress(typed);
    scan.take({ from: link.index, to: link.index + typed.length }, '', '');
  }
  const points = scan.find(POINTS);
  if (points) {
    line.points = Number(points[1]);
    scan.take({ from: points.index, to: points.index + points[0].length }, '', '');
  }
  const percent = scan.find(PERCENT);
  if (percent) scan.take({ from: percent.index, to: percent.index + percent[0].length }, '', '');
  if (
    !role &&
    PROSE.test(text) &&
    text.split(/\s+/).length > 3 &&
    !findScheduleDate(scan.find, dateContext(reader))
  )
    return [line];
  if (TIMES.test(text)) return [{ ...line, kind: 'times', title: text }];

  const cls = scan.find(CLASS);
  const number = given.class ?? (cls ? Number(cls[1]) : undefined);
  if (cls) scan.take({ from: cls.index, to: cls.index + cls[0].length }, '', '');
  const classDay = number === undefined ? undefined : classOf(context.classes, { ordinal: number });
  if (number !== undefined) line.class = number;

  const own = takeDates(scan, reader, above.week ?? given.week);
  const hours = takeTimes(scan, asks, given);
  const words = own.main.length === 0 ? scan.find(WEEK) : undefined;
  if (words) scan.take({ from: words.index, to: words.index + words[0].length }, '', '');
  const inherited = own.main.length === 0 ? (given.week ?? above.week) : undefined;
  const week = words ? Number(words[1]) : (own.main[0]?.week ?? inherited);
  if (week !== undefined) line.week = week;

  const rest = scan.rest();
  const title = titleOf(rest);
  const closed = CLOSURE.test(rest.replace(/\u{E000}+/gu, ' ')) && !DUE.test(rest);
  const dates =
    own.main.length > 0
      ? own.main
      : given.date
        ? [given.date]
        : above.date
          ? [{ from: 0, to: 0, dates: [above.date] }]
          : [];
  const [date] = dates;
  if (date?.weekday !== undefined) line.weekday = date.weekday;
  const day = date && !date.question ? date.dates[0]!.toString() : undefined;
  const classDays = new Set(context.classes.map((one) => one.date));
  line.kind = kindOf({
    rest, title, closed, role, group: above.group, hours, lasts: date?.last !== undefined, dated: date !== undefined,
    hanging: Object.keys(own.hanging).length > 0, onClass: day !== undefined && classDays.has(day), known: classDay !== undefined, weekly: week !== undefined,
  }); // prettier-ignore
  if (line.kind === 'nothing') return [line];
  line.title = line.kind === 'closure' ? closureTitle(rest) : title;
  if (line.title === '') return date && !role ? [emptyLine(whole, 'heading', whole)] : [];

  for (const [field, found] of Object.entries(own.hanging)) {
    if (found.question) asks.push(askDate(field as 'set', found, context.locale));
    else line[field as 'set'] = found.dates[0]!.toString();
  }
  if (hours.start) {
    line.time = hours.start;
    if (hours.end) line.end = hours.end;
  }
  if (!date && classDay) line.date = classDay.date;
  else if (!date) {
    if (line.kind === 'due' && line.closes) line.date = line.closes;
    else if (line.kind === 'closure' && week !== undefined) {
      const days = schoolDaysOf(week, context);
      line.date = days[0]?.toString();
      line.to = days.at(-1)?.toString();
    } else if (week === undefined) asks.push({ field: 'date', question: say.noDate, choices: [] });
    else if (line.kind !== 'topic') asks.push(askDayOfWeek(week, context));
    return [{ ...line, asks }];
  }
  return dates.length === 0
    ? [{ ...line, asks }]
    : dates.map((each) => {
        const own: Line = { ...line, asks: [...asks] };
        if (each.question) own.asks = [...own.asks, askDate('date', each, context.locale)];
        else {
          own.date = each.dates[0]!.toString();
          if (each.last && own.kind === 'due')
            return { ...own, date: undefined, asks: [...asks, askEnd(each, context.locale)] };
          if (each.last) own.to = each.last.toString();
          const unsure =
            own.kind === 'topic' &&
            number === undefined &&
            context.classes.length > 0 &&
            !classDays.has(own.date);
          if (unsure) own.asks = [...own.asks, askKind()];
        }
        return own;
      });
}
