import { ALL_STRANDS } from '../time/classNumber';
import Papa from 'papaparse';
import type { PlanLine } from '../exchange/list/listFormat';
import { LIST_COLUMNS } from '../exchange/list/listColumns';
import { wholeAddress } from '../links/wholeAddress';
import { lineScanner } from '../quickline/lineScanner';
import { entryTexts } from '../texts/entries';
import { scheduleTexts as say } from '../texts/schedule';
import { askDate } from './scheduleAsks';
import { findScheduleDate } from './scheduleDates';
import type { ScheduleAsk, ScheduleKind } from './scheduleLine';
import type { Line, Reader } from './scheduleReader';
import { dateContext, emptyLine } from './scheduleReader';
import { MOST_ROWS } from './scheduleRows';
import type { Hours } from './takeMoments';
import { takeTimes } from './takeMoments';

type Cells = Partial<Record<keyof PlanLine, string>>;

const COLUMN = new Map(LIST_COLUMNS.map(([key, name]) => [name.toLowerCase(), key]));
/** What a table needs to be a list of a plan. */
const NEEDED: readonly (keyof PlanLine)[] = ['date', 'kind', 'title'];

/** What each word under "Kind" plans; the others say what is the school's, or somebody's own, and plan nothing here. */
const PLANS: Readonly<Record<string, ScheduleKind | 'set'>> = {
  [entryTexts.kind.class]: 'topic',
  [entryTexts.kind.due]: 'due',
  [entryTexts.kind.set]: 'set',
  [entryTexts.kind.event]: 'event',
  [entryTexts.kind.closure]: 'closure',
};
const KINDS = new Map(
  Object.values(entryTexts.kind).map((word) => [word.toLowerCase(), PLANS[word] ?? 'nothing'] as const),
);
/** What a class without a plan is called. */
const UNPLANNED_CLASS = new RegExp(`^(?:${[undefined, ...ALL_STRANDS].map((strand) => entryTexts.classTitle({ ordinal: 0, strand }).replace('0', '\\d+')).join('|')})(?:, .+)?$`); // prettier-ignore

/** The cells of a list that was saved here, or of a table with its heads; nothing where the heads are others. */
function cellsOf(text: string): readonly Readonly<{ whole: string; cells: Cells }>[] | undefined {
  const head = text.split(/\r?\n/, 1)[0]!;
  const delimiter = ['\t', ';', ','].find((sign) => head.includes(sign));
  if (!delimiter) return undefined;
  const [heads = [], ...rows] = Papa.parse<string[]>(text, { delimiter }).data;
  const keys = heads.map((name) => COLUMN.get(name.trim().toLowerCase()));
  if (!NEEDED.every((key) => keys.includes(key))) return undefined;
  return rows
    .filter((row) => row.some((cell) => cell.trim() !== ''))
    .slice(0, MOST_ROWS)
    .map((row) => ({
      whole: row.filter(Boolean).join(' | '),
      cells: Object.fromEntries(keys.flatMap((key, i) => (key ? [[key, withoutGuard((row[i] ?? '').trim())]] : []))), // prettier-ignore
    }));
}

/** What begins like a formula is saved behind an apostrophe. */
const withoutGuard = (cell: string) => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** The title of a class without the section that a list names behind it. */
const withoutSection = (title: string, sections: readonly string[]) => {
  const found = sections.find((name) => title.endsWith(entryTexts.ofSection({ title: '', section: name })));
  return found === undefined
    ? title
    : title.slice(0, -entryTexts.ofSection({ title: '', section: found }).length);
};

const setTitle = (title: string) => {
  const before = entryTexts.setTitle({ title: '' });
  return title.startsWith(before) ? title.slice(before.length) : title;
};

/** Hours as a list is saved on a clock of 24 hours, over midnight too. */
function clockTimes(text: string): Hours | undefined {
  const [, start, end] = /^(?:[^\d]* )?(\d{1,2}:\d{2})(?:\s*[–-]\s*(\d{1,2}:\d{2}))?$/.exec(text) ?? [];
  if (!start) return undefined;
  return { start: start.padStart(5, '0'), ...(end ? { end: end.padStart(5, '0') } : {}) };
}

type Place = Pick<Line, 'date' | 'to' | 'time' | 'end'>;

/** The days and hours of a row; what cannot be read is asked. */
function placeOf(cells: Cells, reader: Reader): { place: Place; asks: ScheduleAsk[] } {
  const asks: ScheduleAsk[] = [];
  const place: Place = {};
  const dayIn = (text: string | undefined) => {
    if (!text) return undefined;
    const found = findScheduleDate(lineScanner(text).find, dateContext(reader));
    if (found && !found.question) return found.dates[0]!.toString();
    asks.push(
      found
        ? askDate('date', found, reader.context.locale)
        : { field: 'date', question: say.noDate, choices: [] },
    );
    return undefined;
  };
  place.date = dayIn(cells.date);
  if (!cells.date) asks.push({ field: 'date', question: say.noDate, choices: [] });
  if (cells.until) place.to = dayIn(cells.until);
  // The same time where somebody lives stands in brackets.
  const time = (cells.time ?? '').replace(/\(.*\)/, '').trim();
  if (time !== '') {
    const { start, end } = clockTimes(time) ?? takeTimes(lineScanner(time), asks, {});
    if (start) place.time = start;
    if (end) place.end = end;
    if (!start && !asks.some(({ field }) => field === 'time'))
      asks.push({ field: 'time', question: say.noTime({ text: time }), choices: [] });
  }
  return { place, asks };
}

/** One row, or nothing of it that is this course's to plan. */
function lineOf(whole: string, cells: Cells, reader: Reader): Line & { isSet?: boolean } {
  const { tag, sections = [] } = reader.context;
  const title = cells.title ?? '';
  const word = cells.kind ?? '';
  const kind = KINDS.get(word.toLowerCase());
  const elsewhere = tag !== undefined && Boolean(cells.tags) && !cells.tags!.split(/[\s,;]+/).includes(tag);
  const unplanned = kind === 'topic' && UNPLANNED_CLASS.test(title);
  // A closure of some hours is not one of whole days.
  const hours = kind === 'closure' && Boolean(cells.time);
  const off = cells.shown === entryTexts.cancelledShort;
  if (elsewhere || kind === 'nothing' || unplanned || hours || off || title === '')
    return emptyLine(whole, 'nothing');
  const { place, asks } = placeOf(cells, reader);
  const line = { ...emptyLine(whole, kind === undefined || kind === 'set' ? 'due' : kind, title), ...place };
  if (cells.link) line.link = wholeAddress(cells.link);
  if (kind === undefined)
    asks.push({
      field: 'kind',
      question: say.unknownKind({ word }),
      choices: (['topic', 'due', 'event', 'closure', 'nothing'] as const).map((value) => ({ label: say.kinds[value], value })), // prettier-ignore
    });
  if (kind === 'topic') return { ...line, title: withoutSection(title, sections), asks };
  return { ...line, asks, ...(kind === 'set' ? { title: setTitle(title), isSet: true } : {}) };
}

/**
 * Reads a list that was saved here, or a table with the same heads: each column says what it is, so that titles stay as they
 * are. Nothing where the text is no such list. The day that work is set is part of the work; a class that two sections have
 * on one day is one line.
 */
export function readOwnList(text: string, reader: Reader): Line[] | undefined {
  const rows = cellsOf(text.replace(/^\uFEFF/, ''));
  if (!rows) return undefined;
  const lines = rows.map(({ whole, cells }) => lineOf(whole, cells, reader));
  const works = lines.filter(({ kind, isSet }) => kind === 'due' && !isSet);
  const said = new Set<string>();
  return lines.map(({ isSet, ...line }) => {
    const nothing = emptyLine(line.text, 'nothing');
    if (isSet) {
      const work = works.find(({ title, set, date }) => title === line.title && set === undefined && date !== undefined && date >= (line.date ?? '')); // prettier-ignore
      if (work) work.set = line.date;
      return nothing;
    }
    const key = [line.kind, line.title, line.date, line.to, line.time].join('\n');
    if (line.kind !== 'nothing' && line.date && said.has(key)) return nothing;
    said.add(key);
    return line;
  });
}
