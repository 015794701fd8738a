import { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { localValue, offsetValue, utcValue } from './values';

/** A change of offset. `onset` is the wall time in the offset before the change, as RFC 5545 section 3.6.5 has it. */
type Transition = { at: number; from: number; to: number; onset: Temporal.PlainDateTime };

const utcWall = (ms: number) =>
  Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO('UTC').toPlainDateTime();
const yearStart = (year: number) =>
  new Temporal.PlainDateTime(year, 1, 1).toZonedDateTime('UTC').epochMilliseconds;

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** `BYMONTH=11;BYDAY=1SU`: the readings of an onset as the nth and, near the month's end, as the last weekday. */
function yearlyRules(onset: Temporal.PlainDateTime): string[] {
  const day = DAYS[onset.dayOfWeek - 1]!;
  const rules = [`BYMONTH=${onset.month};BYDAY=${Math.ceil(onset.day / 7)}${day}`];
  if (onset.day > onset.daysInMonth - 7) rules.push(`BYMONTH=${onset.month};BYDAY=-1${day}`);
  return rules;
}

type Run = { rule?: string; transitions: Transition[] };

/** Splits the changes of one kind into runs of three or more years that one yearly rule describes, and singles. */
function runsOf(transitions: readonly Transition[]): Run[] {
  const runs: Run[] = [];
  let i = 0;
  while (i < transitions.length) {
    const first = transitions[i]!;
    const candidates = yearlyRules(first.onset).map((rule) => {
      let n = 1;
      for (; i + n < transitions.length; n++) {
        const next = transitions[i + n]!.onset;
        const sameTime = next.toPlainTime().equals(first.onset.toPlainTime());
        if (next.year !== first.onset.year + n || !sameTime || !yearlyRules(next).includes(rule)) break;
      }
      return { rule, n };
    });
    const best = candidates.reduce((a, b) => (b.n > a.n ? b : a));
    const n = best.n >= 3 ? best.n : 1;
    runs.push({ rule: n >= 3 ? best.rule : undefined, transitions: transitions.slice(i, i + n) });
    i += n;
  }
  return runs;
}

function observance(winter: number, first: Transition, lines: readonly string[]): string[] {
  // Daylight time is whatever lies east of the zone's smallest offset in the years shown.
  const name = first.to > winter ? 'DAYLIGHT' : 'STANDARD';
  return [
    `BEGIN:${name}`,
    `DTSTART:${localValue(first.onset)}`,
    `TZOFFSETFROM:${offsetValue(first.from)}`,
    `TZOFFSETTO:${offsetValue(first.to)}`,
    ...lines,
    `END:${name}`,
  ];
}

/**
 * The content lines of a VTIMEZONE (RFC 5545 section 3.6.5) that is exact from the start of `fromYear` to the end of
 * `toYear`. One observance holds at the start; changes that follow a yearly rule for three years or more are written
 * as RRULE, ended by UNTIL in UTC unless they reach the last year. Every other change is an observance of its own: readers
 * differ in whether DTSTART counts beside an RDATE.
 */
export function vtimezoneLines(
  zone: Zone,
  { fromYear, toYear }: { fromYear: number; toYear: number },
): string[] {
  const begin = yearStart(fromYear);
  const end = yearStart(toYear + 1);
  const shown: Transition[] = [];
  let initial = zone.offsets[0]!;
  zone.untils.forEach((at, i) => {
    if (at < begin) initial = zone.offsets[i + 1]!;
    else if (at < end && zone.offsets[i + 1] !== zone.offsets[i]) {
      const from = zone.offsets[i]!;
      shown.push({ at, from, to: zone.offsets[i + 1]!, onset: utcWall(at + from * 1000) });
    }
  });
  const winter = Math.min(initial, ...shown.map((t) => t.to));
  const beginning = { at: begin, from: initial, to: initial, onset: utcWall(begin) };
  const kinds = new Map<string, Transition[]>();
  for (const t of shown) kinds.set(`${t.from} ${t.to}`, [...(kinds.get(`${t.from} ${t.to}`) ?? []), t]);
  const changes = [...kinds.values()].flatMap(runsOf).flatMap(({ rule, transitions }) => {
    const last = transitions.at(-1)!;
    const until =
      last.onset.year >= toYear ? '' : `;UNTIL=${utcValue(Temporal.Instant.fromEpochMilliseconds(last.at))}`;
    return observance(winter, transitions[0]!, rule ? [`RRULE:FREQ=YEARLY;${rule}${until}`] : []);
  });
  return [
    'BEGIN:VTIMEZONE',
    `TZID:${zone.tzid}`,
    ...observance(winter, beginning, []),
    ...changes,
    'END:VTIMEZONE',
  ];
}
