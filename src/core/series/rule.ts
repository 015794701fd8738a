import { Temporal } from 'temporal-polyfill';
import type { Term } from '../time/term';

/** A weekly or monthly rule as people choose it. Weekdays are ISO's: Monday is 1. */
export type RuleChoice = Readonly<{
  every: number;
  pattern:
    | Readonly<{ kind: 'days' }>
    | Readonly<{ kind: 'weeks'; weekdays: readonly number[] }>
    | Readonly<{ kind: 'monthDay' }>
    | Readonly<{ kind: 'monthWeekday' }>;
  ends:
    | Readonly<{ kind: 'date'; until: Temporal.PlainDate }>
    | Readonly<{ kind: 'count'; count: number }>
    | Readonly<{ kind: 'term' }>;
}>;

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;

/** Which weekday of its month a date is: 1 to 4, or -1 for the last. A fifth one is the last. */
function ordinalInMonth(date: Temporal.PlainDate): number {
  const n = Math.ceil(date.day / 7);
  return n > 4 ? -1 : n;
}

/** The RRULE of a choice (RFC 5545 section 3.3.10), its UNTIL a date of the series' own zone. */
export function rruleOf(choice: RuleChoice, first: Temporal.PlainDate, term: Pick<Term, 'endsOn'>): string {
  const { pattern, ends, every } = choice;
  const parts = [
    pattern.kind === 'days' ? 'FREQ=DAILY' : pattern.kind === 'weeks' ? 'FREQ=WEEKLY' : 'FREQ=MONTHLY',
    ...(every > 1 ? [`INTERVAL=${every}`] : []),
    ...(pattern.kind === 'weeks'
      ? [
          `BYDAY=${[...pattern.weekdays]
            .sort((a, b) => a - b)
            .map((day) => DAYS[day - 1])
            .join(',')}`,
        ]
      : []),
    ...(pattern.kind === 'monthDay' ? [`BYMONTHDAY=${first.day}`] : []),
    ...(pattern.kind === 'monthWeekday'
      ? [`BYDAY=${ordinalInMonth(first)}${DAYS[first.dayOfWeek - 1]}`]
      : []),
    ends.kind === 'count'
      ? `COUNT=${ends.count}`
      : `UNTIL=${compact(ends.kind === 'date' ? ends.until : term.endsOn)}`,
  ];
  return parts.join(';');
}

const compact = (date: Temporal.PlainDate) => date.toString().replaceAll('-', '');

/** The parts of an RRULE by name. */
export const ruleParts = (rrule: string): ReadonlyMap<string, string> =>
  new Map(rrule.split(';').map((part) => part.split('=') as [string, string]));

/** The rule with another end: the last day on which it may still give an occurrence. */
export function endingOn(rrule: string, until: Temporal.PlainDate): string {
  const kept = rrule.split(';').filter((part) => !/^(UNTIL|COUNT)=/.test(part));
  return [...kept, `UNTIL=${compact(until)}`].join(';');
}

/** The date of a rule's UNTIL, if it has one. */
export function untilOf(rrule: string): Temporal.PlainDate | undefined {
  const text = ruleParts(rrule).get('UNTIL');
  return text
    ? Temporal.PlainDate.from(`${text.slice(0, 4)}-${text.slice(4, 6)}-${text.slice(6, 8)}`)
    : undefined;
}

/** A rule as the choice that makes it, or undefined for one that was made elsewhere. */
export function choiceOf(
  rrule: string,
  first: Temporal.PlainDate,
  term: Pick<Term, 'endsOn'>,
): RuleChoice | undefined {
  const parts = ruleParts(rrule);
  const byday = parts.get('BYDAY');
  const every = Number(parts.get('INTERVAL') ?? 1);
  const until = untilOf(rrule);
  const count = parts.get('COUNT');
  const ends: RuleChoice['ends'] | undefined = count
    ? { kind: 'count', count: Number(count) }
    : until?.equals(term.endsOn)
      ? { kind: 'term' }
      : until && { kind: 'date', until };
  const weekdays = (byday ?? '').split(',').map((day) => DAYS.findIndex((d) => d === day) + 1);
  const pattern: RuleChoice['pattern'] | undefined =
    parts.get('FREQ') === 'DAILY'
      ? { kind: 'days' }
      : parts.get('FREQ') === 'WEEKLY' && !weekdays.includes(0)
        ? { kind: 'weeks', weekdays }
        : parts.get('FREQ') === 'MONTHLY'
          ? { kind: parts.has('BYMONTHDAY') ? 'monthDay' : 'monthWeekday' }
          : undefined;
  if (!ends || !pattern) return undefined;
  const choice: RuleChoice = { every, pattern, ends };
  return rruleOf(choice, first, term) === rrule ? choice : undefined;
}
