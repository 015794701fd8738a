import { findTimes, timesAt } from '../quickline/quickTimes';
import type { LineScanner } from '../quickline/lineScanner';
import { scheduleTexts as say } from '../texts/schedule';
import { timeLabel } from '../time/dateLabels';
import { CLOSES, OPENS, SET } from './lineKind';
import type { ScheduleDate } from './scheduleDates';
import { findScheduleDate } from './scheduleDates';
import type { ScheduleAsk } from './scheduleLine';
import type { Reader } from './scheduleReader';
import { dateContext } from './scheduleReader';

export type Hours = Readonly<{ start?: string; end?: string }>;

export function takeTimes(scan: LineScanner, asks: ScheduleAsk[], given: Readonly<{ time?: string }>): Hours {
  const at = scan.find(/(?<!\w)(?:at|by)\s+(?=\d{1,2}\s*(?:$|[,;.)\u{E000}]))/u);
  const found =
    findTimes(scan.find) ?? (at && timesAt((pattern) => scan.at(at.index + at[0].length, pattern)));
  if (!found) return given.time ? { start: given.time } : {};
  scan.take(found, '', '');
  const { reading } = found;
  if (reading.kind === 'ask') {
    asks.push({
      field: 'time',
      question: say.whichTime({ text: scan.line.slice(found.from, found.to) }),
      choices: reading.choices.map(({ label, text }) => ({ label, value: text })),
    });
    return {};
  }
  return { start: timeLabel(reading.start), ...(reading.end ? { end: timeLabel(reading.end) } : {}) };
}

type Hanging = Partial<Record<'set' | 'opens' | 'closes', ScheduleDate>>;
const HANGING = [['set', SET], ['opens', OPENS], ['closes', CLOSES]] as const; // prettier-ignore

/** The dates of a line: those behind "set", "opens" and "closes", and the others. */
export function takeDates(
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
