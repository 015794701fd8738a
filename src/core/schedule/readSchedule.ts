import { Temporal } from 'temporal-polyfill';
import { lineScanner } from '../quickline/lineScanner';
import type { LineScanner } from '../quickline/lineScanner';
import { findTimes, timesAt } from '../quickline/quickTimes';
import { wholeAddress } from '../links/wholeAddress';
import { scheduleTexts as say } from '../texts/schedule';
import { dateLabel, timeLabel } from '../time/dateLabels';
import type { Term } from '../time/term';
import { teachingWeeks, weekNumber } from '../time/term';
import { INTRODUCED, QUIZ_LAST, CLOSED_WORDS, CLOSES, CLOSURE, DUE, EVENT, EXAM, GROUPS, NUMBERED_WORK, OPENS, PROSE, SET, TIMES, WORK, WORK_LAST } from './lineKind'; // prettier-ignore
import type { DateContext, ScheduleDate } from './scheduleDates';
import { findScheduleDate, orderIn } from './scheduleDates';
import type { ClassDay, ScheduleAsk, ScheduleKind, ScheduleLine } from './scheduleLine';
import type { Cell, Role, ScheduleRow } from './scheduleRows';
import { scheduleRows } from './scheduleRows';

export type ScheduleContext = Readonly<{
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  /** The classes of the course, each day once, in the order of time. */
  classes: readonly ClassDay[];
  locale: string;
}>;

/** What headings above a line say about it. */
type Above = { week?: number; date?: Temporal.PlainDate; group?: ScheduleKind };
type Line = { -readonly [K in keyof ScheduleLine]: ScheduleLine[K] };

const LINK = /(?:https?:\/\/|(?<![\w.@/-])www\.)[^\s"<>|\u{E000}]+/iu;
const POINTS = /\(?\s*\b(\d{1,4})\s*(?:points?|pts?\.?|marks?)\b\s*\)?/i;
const PERCENT = /\(\s*\d{1,3}\s*%\s*\)/;
const CLASS = /(?<![\w-])(?:class|lecture|session|lesson|meeting)\s*#?\s*(\d{1,3})\b\s*[:.)–—-]?/i;
const WEEK = /(?<![\w-])(?:week|wk\.?|w(?=\d))\s*#?\s*(\d{1,2})\b/i;
const WEEK_OF = /\bweek\s+(?:of|beginning|starting|commencing)\b/i;
const NOTHING_ELSE = /^[\s,;:.()[\]|–—-]*$/;
const LONG = 14;

/**
 * Reads a schedule as people keep it: lines, tables, headings by week or date. Each thing it says becomes a line with the
 * piece of text it came from; what is unclear is asked in `asks`, and nothing is guessed.
 */
export function readSchedule(text: string, context: ScheduleContext): ScheduleLine[] {
  const rows = scheduleRows(text);
  const order = orderIn(text);
  const above: Above = {};
  const reader = { context, order };
  const lines = rows.flatMap((row, i) =>
    row.cells ? readRow(row, above, reader) : readLine(row.text, rows[i + 1]?.text, above, reader),
  );
  return inWeeks(withoutPreamble(lines), context).map(({ asks, ...line }) => ({ ...line, asks }));
}

type Reader = Readonly<{ context: ScheduleContext; order: DateContext['order'] }>;

const dateContext = ({ context, order }: Reader, week?: number): DateContext => ({
  term: context.term,
  ...(order ? { order } : {}),
  ...(week === undefined ? {} : { week }),
});

const emptyLine = (text: string, kind: ScheduleKind, title = ''): Line => ({ text, kind, title, asks: [] });

/** A line of a list: a heading for those below it, or one thing or several. */
function readLine(text: string, next: string | undefined, above: Above, reader: Reader): Line[] {
  const heading = headingOf(text, next, above, reader);
  if (heading) return [heading];
  const parts = text.split(/\s*;\s*/).filter(Boolean);
  return (
    eachDated(parts, text, above, reader) ??
    withWork(parts, text, above, reader) ??
    read({ text, whole: text, above, reader })
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
  const lines = parts.map((text) => read({ text, whole, above, reader }));
  return lines.every(([line]) => line !== undefined && line.title !== '') ? lines.flat() : undefined;
}

/** What a day is about, and behind a semicolon the work that is due on it. */
function withWork(parts: readonly string[], whole: string, above: Above, reader: Reader): Line[] | undefined {
  const [first = '', ...others] = parts;
  const isPlain = others.length > 0 && others.every((part) => isWork(part) && !isDated(part, above, reader));
  if (!isPlain || isWork(first) || !isDated(first, above, reader)) return undefined;
  const lines = read({ text: first, whole, above, reader });
  const [line] = lines;
  if (!line?.date || line.asks.length > 0) return undefined;
  const day = { ...above, date: Temporal.PlainDate.from(line.date) };
  return [...lines, ...others.flatMap((text) => read({ text, whole, above: day, reader }))];
}

/** Whether a line stands over others; then what it says holds for them. */
function headingOf(text: string, next: string | undefined, above: Above, reader: Reader): Line | undefined {
  const scan = lineScanner(text);
  const bare = text.replace(/[#*_:=\s-]+$/g, '').replace(/^[#*_=\s]+/, '');
  const group = GROUPS.find(
    ([pattern]) => pattern.test(bare) && bare.split(/\s+/).length <= 5 && !/\d/.test(bare),
  );
  if (group && !scan.find(LINK)) {
    const isAlone = /:\s*$/.test(text) || /^[#*]/.test(text) || bare.split(/\s+/).length <= 3;
    if (isAlone && !findScheduleDate(scan.find, dateContext(reader))) {
      above.group = group[1];
      above.week = undefined;
      above.date = undefined;
      return emptyLine(text, 'heading', bare);
    }
  }
  if (
    /^(?:january|february|march|april|may|june|july|august|september|october|november|december)(?:\s+20\d\d)?\s*:?$/i.test(
      bare,
    )
  )
    return emptyLine(text, 'heading', bare);
  const weekOf = scan.find(WEEK_OF);
  const numbered = scan.find(WEEK);
  if (!weekOf && !numbered) return dateHeading(text, bare, next, above, reader);
  const date = findScheduleDate(scan.find, dateContext(reader));
  // "Week 6 Thu: quiz" is a line of its own; "Week 6 (Oct 12-16)" is a heading.
  if (numbered && date?.weekday !== undefined && date.week !== undefined) return undefined;
  const week = numbered
    ? Number(numbered[1])
    : date
      ? weekNumber(reader.context.term, date.dates[0]!)
      : undefined;
  if (week === undefined || (date?.question && !numbered)) return undefined;
  if (date) scan.take(date, '', '');
  if (numbered) scan.take({ from: numbered.index, to: numbered.index + numbered[0].length }, '', '');
  if (weekOf) scan.take({ from: weekOf.index, to: weekOf.index + weekOf[0].length }, '', '');
  const rest = clean(scan.rest());
  const isOver =
    next !== undefined && !WEEK.test(next) && !WEEK_OF.test(next) && !/^[A-Z][a-z]+:?$/.test(next);
  if (rest !== '' && (!isOver || isWork(rest) || CLOSURE.test(rest))) return undefined;
  above.week = week;
  above.date = undefined;
  return { ...emptyLine(text, 'heading', rest), week };
}

/** A date alone over the lines of that day. */
function dateHeading(
  text: string,
  bare: string,
  next: string | undefined,
  above: Above,
  reader: Reader,
): Line | undefined {
  if (next === undefined) return undefined;
  const scan = lineScanner(bare);
  const date = findScheduleDate(scan.find, dateContext(reader, above.week));
  if (!date || date.question || date.last) return undefined;
  scan.take(date, '', '');
  if (!NOTHING_ELSE.test(scan.rest().replace(/\u{E000}/gu, ''))) return undefined;
  above.date = date.dates[0]!;
  return { ...emptyLine(text, 'heading', bare), date: date.dates[0]!.toString() };
}

const isWork = (text: string) => DUE.test(text) || WORK.test(text) || NUMBERED_WORK.test(text);

type Piece = Readonly<{
  text: string;
  whole: string;
  above: Above;
  reader: Reader;
  role?: Role;
  given?: Given;
}>;
/** What the other cells of a row say. */
type Given = Readonly<{ date?: ScheduleDate; week?: number; class?: number; time?: string }>;

/** One thing, or, where a title has a row of dates, one for each of them. */
function read({ text, whole, above, reader, role, given = {} }: Piece): Line[] {
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
  const classDay =
    number === undefined ? undefined : context.classes.find(({ ordinal }) => ordinal === number);
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

/** Work is due on one day: of a stretch the last, most likely. */
const askEnd = ({ dates, last }: ScheduleDate, locale: string): ScheduleAsk => ({
  field: 'date',
  question: say.whichEnd,
  choices: [last!, dates[0]!].map((date) => ({
    label: dateLabel(date, 'full', locale),
    value: date.toString(),
  })),
});

const askKind = (): ScheduleAsk => ({
  field: 'kind',
  question: say.whatIsIt,
  choices: (['event', 'due', 'nothing'] as const).map((value) => ({ label: say.kinds[value], value })),
});

const askDate = (
  field: 'date' | 'set' | 'opens' | 'closes',
  { dates, question }: ScheduleDate,
  locale: string,
): ScheduleAsk => ({
  field,
  question: question!,
  choices: dates.map((date) => ({ label: dateLabel(date, 'full', locale), value: date.toString() })),
});

/** The days from Monday to Friday of a teaching week. */
function schoolDaysOf(week: number, { term }: ScheduleContext): Temporal.PlainDate[] {
  const first = teachingWeeks(term).find(({ number }) => number === week)?.first;
  return first
    ? [0, 1, 2, 3, 4, 5, 6].map((n) => first.add({ days: n })).filter((day) => day.dayOfWeek < 6)
    : [];
}

const askDayOfWeek = (week: number, context: ScheduleContext): ScheduleAsk => ({
  field: 'date',
  question: say.noDate,
  choices: schoolDaysOf(week, context).map((day) => ({
    label: dateLabel(day, 'short', context.locale),
    value: day.toString(),
  })),
});

type Hours = Readonly<{ start?: string; end?: string }>;

function takeTimes(scan: LineScanner, asks: ScheduleAsk[], given: Given): Hours {
  const at = scan.find(/(?<!\w)(?:at|by)\s+(?=\d{1,2}\s*(?:$|[,;.)\u{E000}]))/u);
  const found =
    findTimes(scan.find) ?? (at && timesAt((pattern) => scan.at(at.index + at[0].length, pattern)));
  if (!found) return given.time ? { start: given.time } : {};
  scan.take(found, '', '');
  const { reading } = found;
  if (reading.kind === 'ask') {
    asks.push({
      field: 'time',
      question: say.whichTime(scan.line.slice(found.from, found.to)),
      choices: reading.choices.map(({ label, text }) => ({ label, value: text })),
    });
    return {};
  }
  return { start: timeLabel(reading.start), ...(reading.end ? { end: timeLabel(reading.end) } : {}) };
}

type Hanging = Partial<Record<'set' | 'opens' | 'closes', ScheduleDate>>;
const HANGING = [['set', SET], ['opens', OPENS], ['closes', CLOSES]] as const; // prettier-ignore

/** The dates of a line: those behind "set", "opens" and "closes", and the others. */
function takeDates(
  scan: LineScanner,
  reader: Reader,
  week: number | undefined,
): { main: ScheduleDate[]; hanging: Hanging } {
  const main: ScheduleDate[] = [];
  const hanging: Hanging = {};
  const late: (readonly ['set' | 'opens' | 'closes', number])[] = [];
  for (;;) {
    const inWeek = week ?? main.find((one) => one.week !== undefined)?.week;
    const date = findScheduleDate(scan.find, dateContext(reader, inWeek));
    if (!date) break;
    const before = scan.rest().slice(0, date.from);
    const word = HANGING.map(([field, pattern]) => ({ field, match: lastOf(pattern, before) }))
      .filter(
        ({ match }) =>
          match && /^[\s,:(]*(?:on|by|from)?[\s:]*$/i.test(before.slice(match.index + match[0].length)),
      )
      .at(0);
    scan.take(date, '', '');
    if (!word) {
      main.push(date);
      continue;
    }
    const { field, match } = word;
    scan.take({ from: match!.index, to: match!.index + match![0].length }, '', '');
    hanging[field] = date;
    if (date.weekday !== undefined && date.week === inWeek && inWeek !== undefined)
      late.push([field, date.weekday]);
  }
  // A bare weekday behind "opens" is the last one before the day it is due.
  const [anchor] = main;
  for (const [field, weekday] of late) {
    if (!anchor || anchor.question) continue;
    const day = anchor.dates[0]!;
    const back = (day.dayOfWeek - weekday + 7) % 7;
    const dates = field === 'closes' ? day.add({ days: (7 - back) % 7 }) : day.subtract({ days: back });
    hanging[field] = { ...hanging[field]!, dates: [dates] };
  }
  return { main, hanging };
}

function lastOf(pattern: RegExp, text: string): RegExpExecArray | undefined {
  return [...text.matchAll(new RegExp(pattern.source, 'giu'))].at(-1) as RegExpExecArray | undefined;
}

type Signs = Readonly<{
  rest: string;
  title: string;
  closed: boolean;
  role?: Role;
  group?: ScheduleKind;
  hours: Hours;
  lasts: boolean;
  dated: boolean;
  hanging: boolean;
  onClass: boolean;
  known: boolean;
  weekly: boolean;
}>;

/** What a line is, by its words, then by where it stands, then by whether there is a class on its day. */
function kindOf({
  rest,
  title,
  closed,
  role,
  group,
  hours,
  lasts,
  dated,
  hanging,
  onClass,
  known,
  weekly,
}: Signs): ScheduleKind {
  const words = rest.replace(/\u{E000}+/gu, ' ');
  if (DUE.test(words) || role === 'due') return closed && !DUE.test(words) ? 'closure' : 'due';
  if (closed) return dated || role || weekly ? 'closure' : 'nothing';
  if (group === 'closure') return 'closure';
  if (EXAM.test(title) && group !== 'due')
    return role === 'topic' && onClass && !hours.end ? 'event' : 'event';
  if (hanging || group === 'due') return 'due';
  if (EVENT.test(title) || group === 'event' || role === 'event') return 'event';
  if (WORK.test(title) || QUIZ_LAST.test(title) || (WORK_LAST.test(title) && NUMBERED_WORK.test(title)))
    return 'due';
  if (hours.end || lasts) return 'event';
  if (role === 'topic' || known || onClass) return 'topic';
  if (group === 'topic') return 'topic';
  if (!dated) return title.split(/\s+/).length > LONG ? 'nothing' : 'topic';
  return hours.start ? 'event' : 'topic';
}

/** Words around what was taken, without the connectors that hang on it. */
function clean(rest: string): string {
  const parts = rest.replace(/\(\s*\u{E000}*\s*\)|\[\s*\u{E000}*\s*\]/gu, '\u{E000}').split(/\u{E000}+/u);
  return parts
    .map((part, i) =>
      part.replace(i > 0 ? /^[\s,;:.!]*(?:(?:and|for|on|of|from|is|are)\b)?[\s,;:.!]*/i : /^\s+/, ''),
    )
    .map((part, i) =>
      part.replace(
        i < parts.length - 1
          ? /(?:^|[\s,;:(]+)(?:(?:and|for|on|at|in|by|of|from|the|is|are|until)[\s,;:.]*)*$/i
          : /\s+$/,
        '',
      ),
    ) // prettier-ignore
    .map((part) => part.trim())
    .filter(Boolean)
    .join(' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;:.)])/g, '$1')
    .replace(/^[\s,;:.!|/)–—-]+|[\s,;:.!|/(–—-]+$/g, '')
    .trim();
}

const titleOf = (rest: string): string =>
  clean(
    clean(rest)
      .replace(new RegExp(DUE.source, 'gi'), '\u{E000}')
      .replace(/\(\s*\u{E000}\s*\)/gu, '\u{E000}'),
  );

function closureTitle(rest: string): string {
  const said = rest.replace(CLOSED_WORDS, '\u{E000}').replace(INTRODUCED, '\u{E000}');
  const title = clean(clean(said).replace(/^\(([^()]+)\)$/, '$1'));
  return /^(?:the|a|is|are)?$/i.test(title) ? say.noClasses : title;
}

/** A row of a table: what its columns say of one day. */
function readRow({ text, cells }: ScheduleRow, above: Above, reader: Reader): Line[] {
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
      read({
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
    return { ...line, asks: [{ field: 'date', question: say.whichClass(line.week!), choices }] };
  });
}
