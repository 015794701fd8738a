import { lineScanner } from '../quickline/lineScanner';
import { weekNumber } from '../time/term';
import { CLOSURE, GROUPS } from './lineKind';
import { findScheduleDate } from './scheduleDates';
import type { Above, Line, Reader } from './scheduleReader';
import { dateContext, emptyLine, isWork, LINK, WEEK, WEEK_OF } from './scheduleReader';
import { clean } from './scheduleTitles';

const NOTHING_ELSE = /^[\s,;:.()[\]|–—-]*$/;

/** Whether a line stands over others; then what it says holds for them. */
export function headingOf(
  text: string,
  next: string | undefined,
  above: Above,
  reader: Reader,
): Line | undefined {
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
