import { classOf } from '../time/classNumber';
import type { Temporal } from 'temporal-polyfill';
import { quickTexts } from '../texts/quickLine';
import { timeLabel, weekAndDate } from '../time/dateLabels';
import type { LineScanner, Span } from './lineScanner';
import { leftover, lineScanner } from './lineScanner';
import type { QuickContext, QuickEntry, QuickMoment, Reading } from './quickEntry';
import { findClass } from './quickClasses';
import { takeCourses } from './quickCourses';
import { wholeAddress } from '../links/wholeAddress';
import { dateAt, findDate, findStretch } from '../time/typedDay';
import type { TakenRepeat } from './quickRepeats';
import { takeDuration, takeRepeat } from './quickRepeats';
import { findTimes, timesAt } from './quickTimes';

type Courses = QuickEntry['courses'];
type Times = Readonly<{ start: Temporal.PlainTime; end?: Temporal.PlainTime }>;
/** A date or class with the times beside it, as it was found. `asked`: something about it is being asked. */
type Moment = Readonly<{
  span: Span;
  date?: Temporal.PlainDate;
  times?: Times;
  ref?: Extract<QuickMoment, { kind: 'class' }>;
  asked: boolean;
}>;

const QUOTED = /"((?:[^"]|"")*)"/;
/** With its scheme, or as people write an address without one: `www.…`, or a host with a path. A file's name is none. */
const LINK =
  /(?:https?:\/\/|(?<![\w.@/-])(?:www\.|(?=[a-z0-9-]+(?:\.[a-z0-9-]+)*\.[a-z]{2,}\/)))[^\s"\u{E000}]+/iu;
const KEYWORDS = [
  ['setOn', /(?<![\w-])set(?:\s+on)?:?\s+/],
  ['opens', /(?<!\w)opens(?:\s+on)?:?\s+/],
  ['due', /(?<!\w)(?:due(?:\s+(?:on|by))?|by):?\s+/],
  ['closes', /(?<!\w)closes(?:\s+on)?:?\s+/],
] as const;
const DUE_BEHIND = /(?<!\w)due(?=\s*(?:$|[,;\u{E000}]))/u;
const PLACE = /(?<!\w)(?:at|@)\s*(?!\d+\s*(?:[,;]|$))((?:the\s+)?[^,;\u{E000}"]+)/u;
const ROOM = /(?<!\w)in\s+((?:room|hall|lab|building)\s+[^,;\s\u{E000}]+)/u;
const KIND = /^\s*(note|announcement|announce|event|assignment):\s*/;
const DRAFT = /(?<!\w)as\s+(?:a\s+)?draft\b/;

/**
 * Reads one line as something to plan. Every part that was understood becomes a piece; what can mean two things, or is
 * missing, is asked and never guessed. The grammar is docs/quick-line.md.
 */
export function readQuickLine(line: string, context: QuickContext): Reading {
  const scan = lineScanner(line);
  const kindWord = takeKind(scan);
  const title = takeQuoted(scan);
  const place = takeQuotedPlace(scan);
  const links = takeLinks(scan);
  const draft = takeWord(scan, DRAFT, quickTexts.shown, quickTexts.asDraft);
  const named = takeCourses(scan, context);
  const courses = named.length > 0 ? named : onlyCourse(context);
  const repeat = takeRepeat(scan, context);
  // Whoever teaches nothing writes notes: there is no work to set.
  const notesOnly = context.courses.length === 0;
  const work = notesOnly ? {} : withLooseTime(scan, takeWorkDates(scan, context, courses));
  const isWork = kindWord === 'assignment' || Object.keys(work).length > 0;
  const free = isWork ? undefined : takeFreeMoment(scan, context, courses, repeat);
  const duration = takeDuration(scan);
  const where = place ?? takePlace(scan);
  const text = title ?? leftover(scan.rest());
  const kind = kindWord ?? (notesOnly ? 'note' : isWork ? 'assignment' : 'event');
  const entry: QuickEntry = {
    kind,
    title: text,
    courses: kind === 'note' ? [] : courses,
    ...(isWork ? workOf(work) : { on: onOf(free, duration) }),
    ...(repeat && !repeat.asked ? { repeat: repeat.rule } : {}),
    place: where ?? '',
    links,
    draft,
  };
  const missing = missingOf(entry, { free, named, work, context, scan });
  const asks = [...scan.asks(), ...missing];
  return { pieces: scan.pieces(), asks, ...(asks.length === 0 ? { entry } : {}) };
}

const onlyCourse = ({ courses }: QuickContext): Courses =>
  courses.length === 1 ? [{ course: courses[0]!.id }] : [];

function takeWord(scan: LineScanner, pattern: RegExp, name: string, words: string): boolean {
  const match = scan.find(pattern);
  if (match) scan.take(spanOf(match), name, words);
  return match !== undefined;
}

const spanOf = (match: RegExpExecArray): Span => ({ from: match.index, to: match.index + match[0].length });

function takeKind(scan: LineScanner): QuickEntry['kind'] | undefined {
  const match = scan.find(KIND);
  if (!match) return undefined;
  const word = match[1]!.toLowerCase();
  const kind = word.startsWith('ann') ? 'announcement' : (word as QuickEntry['kind']);
  scan.take(spanOf(match), quickTexts.kind, quickTexts.kinds[kind]);
  return kind;
}

/** A title in quotation marks is taken as it stands; a quotation mark within is written twice. */
function takeQuoted(scan: LineScanner): string | undefined {
  const match = scan.find(new RegExp(`(?<!(?:at|@)\\s*)${QUOTED.source}`));
  if (!match) return undefined;
  const text = match[1]!.replaceAll('""', '"').trim();
  scan.take(spanOf(match), quickTexts.title, text);
  return text;
}

function takeQuotedPlace(scan: LineScanner): string | undefined {
  const match = scan.find(new RegExp(`(?<!\\w)(?:at|@)\\s*${QUOTED.source}`));
  if (!match) return undefined;
  const text = match[1]!.replaceAll('""', '"').trim();
  scan.take(spanOf(match), quickTexts.place, text);
  return text;
}

function takeLinks(scan: LineScanner): string[] {
  const links: string[] = [];
  for (let match = scan.find(LINK); match; match = scan.find(LINK)) {
    const typed = match[0].replace(/[.,;)]+$/, '');
    const url = wholeAddress(typed);
    links.push(url);
    scan.take({ from: match.index, to: match.index + typed.length }, quickTexts.link, url);
  }
  return links;
}

function takePlace(scan: LineScanner): string | undefined {
  const match = scan.find(ROOM) ?? scan.find(PLACE);
  if (!match) return undefined;
  const place = match[1]!.trim().replace(/\s+/g, ' ');
  if (!place) return undefined;
  scan.take(spanOf(match), quickTexts.place, place);
  return place.charAt(0).toUpperCase() + place.slice(1);
}

type Where = Readonly<{ find: boolean; position: number }>;

/** A class, or a date with the times beside it: anywhere in the line, or right at a position. */
function momentFrom(
  scan: LineScanner,
  context: QuickContext,
  courses: Courses,
  { find, position }: Where,
): (Moment & { take: (name: string) => void }) | undefined {
  const look = (pattern: RegExp) => (find ? scan.find(pattern) : scan.at(position, pattern));
  const cls = findClass(look, context, courses);
  if (cls) {
    const { reading } = cls;
    const take = (name: string) =>
      reading.kind === 'ask'
        ? scan.ask(cls, reading.question, reading.choices)
        : scan.take(cls, name, classWords(context, courses, reading));
    return {
      span: cls,
      asked: reading.kind === 'ask',
      ref: reading.kind === 'class' ? reading : undefined,
      take,
    };
  }
  const before = find ? undefined : timesBefore(scan, position);
  const start = before ? before.next : position;
  const found = find ? findDate(scan.find, context) : dateAt((pattern) => scan.at(start, pattern), context);
  if (!found) return undefined;
  const after = before ? undefined : timesAfter(scan, found.to);
  const clock = before?.times ?? after;
  const dateReading = found.reading;
  const clockReading = clock?.reading;
  const date = dateReading.kind === 'date' ? dateReading.date : undefined;
  const times = clockReading?.kind === 'times' ? clockReading : undefined;
  const take = (name: string) => {
    if (dateReading.kind === 'ask') scan.ask(found, dateReading.question, dateReading.choices);
    else scan.take(found, name, weekAndDate(context.term, dateReading.date, context.locale));
    if (clock && clockReading) takeTimes(scan, clock, clockReading);
  };
  const span = {
    from: Math.min(found.from, clock?.from ?? found.from),
    to: Math.max(found.to, clock?.to ?? 0),
  };
  return { span, date, times, asked: !date || clockReading?.kind === 'ask', take };
}

type Clock = NonNullable<ReturnType<typeof timesAt>>;

function takeTimes(scan: LineScanner, span: Span, reading: Clock['reading']): void {
  if (reading.kind === 'ask') return scan.ask(span, reading.question, reading.choices);
  const { start, end } = reading;
  scan.take(span, quickTexts.time, end ? `${timeLabel(start)}–${timeLabel(end)}` : timeLabel(start));
}

function timesAfter(scan: LineScanner, position: number): Clock | undefined {
  const gap = scan.at(position, /\s*,?\s*(?:(?:at|from|by)\s+)?/);
  const next = position + (gap?.[0].length ?? 0);
  return timesAt((pattern) => scan.at(next, pattern));
}

/** `due 5 pm Thursday`: the time in front, if a date follows it. */
function timesBefore(scan: LineScanner, position: number): { times: Clock; next: number } | undefined {
  const times = findTimes((pattern) => scan.at(position, pattern));
  if (!times) return undefined;
  const gap = scan.at(times.to, /\s*,?\s*(?:on\s+)?/);
  return { times, next: times.to + (gap?.[0].length ?? 0) };
}

type WorkDates = Readonly<Partial<Record<'setOn' | 'opens' | 'due' | 'closes', Moment>>>;

/** `set …`, `opens …`, `due …` (or `by …`), `closes …`, each with what follows it. */
function takeWorkDates(scan: LineScanner, context: QuickContext, courses: Courses): WorkDates {
  const dates: Partial<Record<keyof WorkDates, Moment>> = {};
  for (const [field, keyword] of KEYWORDS) {
    const pattern = new RegExp(keyword.source, 'giu');
    for (const match of scan.rest().matchAll(pattern)) {
      const position = match.index + match[0].length;
      const moment = momentFrom(scan, context, courses, { find: false, position });
      // Without a date after it the word is part of a title: "problem set".
      if (!moment) continue;
      moment.take(quickTexts.fields[field]);
      scan.take({ from: match.index, to: position }, quickTexts.fields[field], '');
      dates[field] = moment;
      break;
    }
  }
  const due = dates.due ?? takeDueBehind(scan, context, courses);
  return due ? { ...dates, due } : dates;
}

/** `class 16 quiz due`: what stands before the word, where nothing follows it. */
function takeDueBehind(scan: LineScanner, context: QuickContext, courses: Courses): Moment | undefined {
  const word = scan.find(DUE_BEHIND);
  const moment = word && momentFrom(scan, context, courses, { find: true, position: 0 });
  if (!moment || moment.span.from > word.index) return undefined;
  moment.take(quickTexts.fields.due);
  scan.take({ from: word.index, to: word.index + 'due'.length }, quickTexts.fields.due, '');
  return moment;
}

/** `due Friday, NV, 5 pm`: a time that stands elsewhere in the line is the due date's, if that has none. */
function withLooseTime(scan: LineScanner, work: WorkDates): WorkDates {
  const { due } = work;
  if (!due?.date || due.times || due.asked) return work;
  const times = takeLooseTimes(scan, undefined);
  return times === undefined || times === 'none' ? work : { ...work, due: { ...due, times } };
}

const momentOf = ({ ref, date, times }: Moment): QuickMoment | undefined =>
  ref ??
  (date && { kind: 'date', date: date.toString(), ...(times ? { time: timeLabel(times.start) } : {}) });

function workOf(dates: WorkDates): Pick<QuickEntry, 'setOn' | 'opens' | 'due' | 'closes'> {
  return Object.fromEntries(
    Object.entries(dates).flatMap(([field, moment]) => {
      const value = momentOf(moment);
      return value ? [[field, value]] : [];
    }),
  );
}

type Free = Moment & Readonly<{ lastDay?: Temporal.PlainDate; classTimes?: Times }>;

/** The day of an event: the first date or class in the line, the last day after "to", times wherever they stand. */
function takeFreeMoment(
  scan: LineScanner,
  context: QuickContext,
  courses: Courses,
  repeat: TakenRepeat | undefined,
): Free | undefined {
  const stretch = takeStretch(scan, context);
  if (stretch) return stretch;
  const found = momentFrom(scan, context, courses, { find: true, position: 0 });
  if (found) {
    const before = scan
      .rest()
      .slice(0, found.span.from)
      .match(/(?:\bon|\bfrom)\s+$/i);
    found.take(quickTexts.day);
    if (before)
      scan.take({ from: found.span.from - before[0].length, to: found.span.from }, quickTexts.day, '');
  }
  const lastDay = found?.date && takeLastDay(scan, context, found.span.to);
  const loose = found?.times ?? takeLooseTimes(scan, repeat?.to);
  const times = loose === 'none' ? askBareRange(scan) : loose;
  if (found?.ref) return { ...found, ...classDay(context, courses, found.ref), ...(times ? { times } : {}) };
  const second = found && findDate(scan.find, context);
  if (second) {
    const text = scan.line.slice(second.from, second.to);
    scan.ask(second, quickTexts.twoDates, [
      { label: quickTexts.asDue(text), text: `due ${text}` },
      { label: quickTexts.asTitle(text), text: '' },
    ]);
  }
  return found ? { ...found, times, lastDay } : withoutDate(times, repeat);
}

/** `7-31 Oct`: days of one month, with hours wherever they stand. */
function takeStretch(scan: LineScanner, context: QuickContext): Free | undefined {
  const found = findStretch(scan.find, context);
  if (!found) return undefined;
  const { first, last } = found;
  const unclear = [first, last].find((reading) => reading.kind === 'ask');
  if (unclear?.kind === 'ask') {
    scan.ask(found, unclear.question, unclear.choices);
    return { span: found, asked: true };
  }
  if (first.kind === 'ask' || last.kind === 'ask') return undefined;
  const words = [first, last].map(({ date }) => weekAndDate(context.term, date, context.locale)).join(' – ');
  const on = /\b(?:on|from)\s+$/i.exec(scan.rest().slice(0, found.from))?.[0] ?? '';
  scan.take({ from: found.from - on.length, to: found.to }, quickTexts.day, words);
  const times = takeLooseTimes(scan, undefined);
  return {
    span: found,
    date: first.date,
    lastDay: last.date,
    asked: false,
    ...(times && times !== 'none' ? { times } : {}),
  };
}

/** A line without a date takes place on the first of its weekdays, if it repeats on some. */
function withoutDate(times: Times | undefined, repeat: TakenRepeat | undefined): Free | undefined {
  if (!repeat?.first && !times) return undefined;
  return { span: { from: 0, to: 0 }, date: repeat?.first, times, asked: false };
}

function takeLastDay(
  scan: LineScanner,
  context: QuickContext,
  position: number,
): Temporal.PlainDate | undefined {
  const link = scan.at(position, /\s*(?:to|until|through|-|–)\s*/);
  if (!link) return undefined;
  const found = dateAt((pattern) => scan.at(position + link[0].length, pattern), context);
  if (!found || found.reading.kind === 'ask') return undefined;
  const { date } = found.reading;
  scan.take(
    { from: position, to: found.to },
    quickTexts.lastDay,
    weekAndDate(context.term, date, context.locale),
  );
  return date;
}

/** Times after "at", or after what repeats, or such as say themselves that they are. */
function takeLooseTimes(scan: LineScanner, repeatEnds: number | undefined): Times | undefined | 'none' {
  const follows = repeatEnds === undefined ? undefined : timesAfter(scan, repeatEnds);
  if (follows) {
    takeTimes(scan, follows, follows.reading);
    return follows.reading.kind === 'times' ? follows.reading : undefined;
  }
  const at = scan.find(/(?<!\w)(?:at|from)\s+(?=\d|noon\b|mid)/);
  const position = at ? at.index + at[0].length : 0;
  const clock = (at && timesAt((pattern) => scan.at(position, pattern))) ?? findTimes(scan.find);
  if (!clock) return 'none';
  takeTimes(scan, clock, clock.reading);
  if (at && clock.from === position) scan.take({ from: at.index, to: position }, quickTexts.time, '');
  return clock.reading.kind === 'times' ? clock.reading : undefined;
}

/** The day and hours of a class, for an event that takes place in it. */
function classDay(
  { courses }: QuickContext,
  chosen: Courses,
  ref: NonNullable<Moment['ref']>,
): Pick<Free, 'date' | 'times'> {
  const [own] = chosen;
  const course = courses.find(({ id }) => id === own?.course);
  const section = course?.sections.find(({ id }) => !own?.sections || own.sections.includes(id));
  const cls = section && classOf(section.classes, ref);
  if (!cls) return {};
  return {
    date: cls.date,
    times: ref.edge === 'end' ? { start: cls.end } : { start: cls.start, end: cls.end },
  };
}

/** `2-4` by itself may be a time or a part of the title. */
function askBareRange(scan: LineScanner): undefined {
  const match = scan.find(/(?<![\p{L}\d:.-])\d{1,2}\s*[-–]\s*\d{1,2}(?![\p{L}\d:-])/u);
  const clock = match && timesAt((pattern) => scan.at(match.index, pattern));
  if (!clock) return undefined;
  const { reading } = clock;
  const text = scan.line.slice(clock.from, clock.to);
  const choices =
    reading.kind === 'ask'
      ? reading.choices
      : [reading].flatMap(({ start, end }) => {
          const said = end ? `${timeLabel(start)}-${timeLabel(end)}` : timeLabel(start);
          return [{ label: said, text: said }];
        });
  scan.ask(clock, quickTexts.timeOrTitle(text), choices);
  return undefined;
}

/** A class with its day and hour: `start of class 12: week 6, Thu 15 Oct, 10:00`. */
function classWords(context: QuickContext, courses: Courses, ref: NonNullable<Moment['ref']>): string {
  const words = quickTexts.classWords(ref, ref.edge);
  const { date, times } = classDay(context, courses, ref);
  return date && times
    ? `${words}: ${weekAndDate(context.term, date, context.locale)}, ${timeLabel(times.start)}`
    : words;
}

function onOf(free: Free | undefined, duration: Temporal.Duration | undefined): QuickEntry['on'] {
  if (!free?.date) return undefined;
  const { date, lastDay, times } = free;
  const end = times?.end ?? (times && duration ? times.start.add(duration) : undefined);
  return {
    date: date.toString(),
    ...(lastDay ? { lastDay: lastDay.toString() } : {}),
    ...(times ? { start: timeLabel(times.start) } : {}),
    ...(end ? { end: timeLabel(end) } : {}),
  };
}

type Found = Readonly<{
  free: Free | undefined;
  named: Courses;
  work: WorkDates;
  context: QuickContext;
  scan: LineScanner;
}>;

/** What a line still has to say before it can be saved. */
function missingOf(entry: QuickEntry, { free, work, context, scan }: Found): Reading['asks'] {
  const { line } = scan;
  const asks: Reading['asks'][number][] = [];
  const adding = (text: string) => `${line.trimEnd()}${/,\s*$/.test(line) ? ' ' : ', '}${text}`;
  if (entry.title === '') asks.push({ question: quickTexts.noTitle, choices: [] });
  if (entry.kind !== 'note' && entry.courses.length === 0 && scan.asks().length === 0)
    asks.push({
      question: quickTexts.noCourse,
      choices: context.courses.map((c) => ({
        label: quickTexts.courseName({ code: c.code, title: c.title }),
        line: adding(c.code),
      })),
    });
  const day = (word: string) =>
    ['today', 'tomorrow', ...(entry.courses.length > 0 ? ['next class'] : [])].map((text) => ({
      label: text,
      line: adding(`${word}${text}`),
    }));
  if (entry.kind === 'assignment' && !work.due)
    asks.push({ question: quickTexts.noDue, choices: day('due ') });
  if (entry.kind !== 'assignment' && !entry.on && !free?.asked)
    asks.push({ question: quickTexts.noDay, choices: day('') });
  if (entry.on?.lastDay && entry.on.lastDay < entry.on.date)
    asks.push({ question: quickTexts.lastBefore, choices: [] });
  if (entry.on?.end && entry.on.start && entry.on.end <= entry.on.start)
    asks.push({ question: quickTexts.pastMidnight, choices: [] });
  if (entry.kind === 'announcement' && entry.on?.start)
    asks.push({ question: quickTexts.announcementTime, choices: [] });
  return asks;
}
