import { Temporal } from 'temporal-polyfill';
import type { Term } from '../time/term';
import type { DayMap } from './dayMap';

/** A date that is written within a title or a text, and how it reads in the other term. */
export type Correction = Readonly<{ said: string; instead: string }>;

const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']; // prettier-ignore
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const MONTH = `(?<month>${MONTHS.map((m) => `${m.slice(0, 3)}(?:${m.slice(3)})?`).join('|')}|Sept)`;
const WEEKDAY = `(?:(?<weekday>${WEEKDAYS.map((d) => `${d}|${d.slice(0, 3)}`).join('|')}),?\\s+)?`;
const DAY = '(?<day>\\d{1,2})(?:st|nd|rd|th)?';
const YEAR = '(?:,?\\s+(?<year>(?:19|20)\\d{2}))?';

/** `Fri 16 Oct`, `October 16`, `16 October 2026`: a day of a month in words, which alone is sure to be a date. */
const FORMS = [
  { pattern: new RegExp(`\\b${WEEKDAY}${DAY}\\s+${MONTH}${YEAR}\\b`, 'gi'), dayFirst: true },
  { pattern: new RegExp(`\\b${WEEKDAY}${MONTH}\\s+${DAY}${YEAR}\\b`, 'gi'), dayFirst: false },
];

/** How far outside its term a date may lie and still be taken for one of it. */
const AROUND = { days: 45 };

function dateOf(
  { month = '', day, year }: Record<string, string | undefined>,
  term: Pick<Term, 'startsOn' | 'endsOn'>,
): Temporal.PlainDate | undefined {
  const number = MONTHS.findIndex((name) => name.slice(0, 3).toLowerCase() === month.slice(0, 3).toLowerCase()) + 1; // prettier-ignore
  const years = year ? [Number(year)] : [...new Set([term.startsOn.year, term.endsOn.year])];
  const first = term.startsOn.subtract(AROUND);
  const last = term.endsOn.add(AROUND);
  for (const y of years) {
    try {
      const date = Temporal.PlainDate.from({ year: y, month: number, day: Number(day) }, { overflow: 'reject' }); // prettier-ignore
      if (Temporal.PlainDate.compare(first, date) <= 0 && Temporal.PlainDate.compare(date, last) <= 0)
        return date;
    } catch {
      continue; // such as 31 November
    }
  }
  return undefined;
}

/** The date in the form in which the other one was written. */
function written(
  date: Temporal.PlainDate,
  { month = '', weekday, year }: Record<string, string | undefined>,
  dayFirst: boolean,
): string {
  const name = MONTHS[date.month - 1]!;
  const monthText = month.length <= 4 && month.toLowerCase() !== 'may' ? name.slice(0, 3) : name;
  const dayName = WEEKDAYS[date.dayOfWeek - 1]!;
  const before = weekday ? `${weekday.length === 3 ? dayName.slice(0, 3) : dayName} ` : '';
  const core = dayFirst ? `${date.day} ${monthText}` : `${monthText} ${date.day}`;
  return `${before}${core}${year ? (dayFirst ? ` ${date.year}` : `, ${date.year}`) : ''}`;
}

/** Dates of a term that a text speaks of, each with what it should say in the other; a text that says none gives none. */
export function datesInText(
  text: string,
  term: Pick<Term, 'startsOn' | 'endsOn'>,
  map: DayMap,
): Correction[] {
  const found = new Map<string, Correction>();
  for (const { pattern, dayFirst } of FORMS)
    for (const match of text.matchAll(pattern)) {
      const groups = match.groups ?? {};
      const date = dateOf(groups, term);
      if (!date) continue;
      const instead = written(map(date), groups, dayFirst);
      if (instead !== match[0]) found.set(match[0], { said: match[0], instead });
    }
  return [...found.values()];
}

/** A text with the corrections made, each wherever it is said; the longest first, so that none is made within another. */
export function corrected(text: string, corrections: readonly Correction[]): string {
  const bySaid = new Map(corrections.map(({ said, instead }) => [said, instead]));
  const escaped = [...bySaid.keys()]
    .sort((a, b) => b.length - a.length)
    .map((said) => said.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
  if (escaped.length === 0) return text;
  return text.replace(new RegExp(`\\b(?:${escaped.join('|')})\\b`, 'g'), (said) => bySaid.get(said) ?? said);
}
