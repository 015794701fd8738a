import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import type { Expectation, Schedule } from '../../../tests/schedules/tables';
import { schedulesIn } from '../../../tests/schedules/tables';
import { readSchedule } from './readSchedule';
import type { ScheduleLine } from './scheduleLine';

const day = (text: string) => Temporal.PlainDate.from(text);
const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };

/** A class on each of the weekdays, the reading week left out. */
function classesOn(weekdays: readonly number[]) {
  const dates: string[] = [];
  for (
    let date = term.startsOn;
    Temporal.PlainDate.compare(date, term.endsOn) <= 0;
    date = date.add({ days: 1 })
  )
    if (weekdays.includes(date.dayOfWeek) && !(date.month === 11 && date.day >= 9 && date.day <= 13))
      dates.push(date.toString());
  return dates.map((date, i) => ({ date, ordinal: i + 1 }));
}

const FIELDS = ['kind', 'date', 'to', 'time', 'end', 'set', 'opens', 'closes'] as const;
const asWords = (line: Partial<ScheduleLine>) =>
  `${FIELDS.map((field) => line[field] ?? '').join('|')} ${(line.title ?? '').toLowerCase()}`;
/** Headings and lines that say nothing count alike: neither plans anything. */
const planned = (lines: readonly Partial<ScheduleLine>[]) =>
  lines
    .filter(({ kind }) => kind !== 'heading' && kind !== 'nothing')
    .map((line) => (line.kind === 'times' ? 'times' : asWords(line)));

type Verdict = 'right' | 'asked' | 'wrong';

function verdictOn(found: readonly ScheduleLine[], readings: readonly Expectation[]): Verdict {
  if (found.some(({ asks }) => asks.length > 0)) return 'asked';
  const said = planned(found);
  const fits = readings.some((reading) => {
    if (reading === 'ask') return false;
    const expected = planned(reading as readonly Partial<ScheduleLine>[]);
    // A star stands for any title.
    const same = (a: string, b: string) => (a.endsWith(' *') ? b.startsWith(a.slice(0, -1)) : a === b);
    return expected.length === said.length && expected.every((one, i) => same(one, said[i]!));
  });
  return fits ? 'right' : 'wrong';
}

function judge({ name, weekdays, lines }: Schedule) {
  const text = lines.map((line) => line.text).join('\n');
  const found = readSchedule(text, { term, classes: classesOn(weekdays), locale: 'en-GB' });
  const bare = (one: string) => one.replace(/[\s|,"]+/g, '').replace(/^[-*•]/, '');
  return lines.map(({ text: source, readings }) => {
    const own = found.filter((line) => bare(line.text) === bare(source));
    return { name, source, verdict: verdictOn(own, readings), own };
  });
}

function count(file: string) {
  const judged = schedulesIn(new URL(`../../../tests/schedules/${file}`, import.meta.url)).flatMap(judge);
  const of = (verdict: Verdict) => judged.filter((one) => one.verdict === verdict);
  const share = (verdict: Verdict) => of(verdict).length / judged.length;
  console.log(`${file}: ${judged.length} lines, ${(share('right') * 100).toFixed(1)} % right unasked, ${(share('asked') * 100).toFixed(1)} % asked, ${of('wrong').length} silently wrong`); // prettier-ignore
  return { right: share('right'), asked: share('asked'), wrong: of('wrong').map(({ name, source, own }) => `${name}: ${source} -> ${own.map(asWords).join(' && ')}`), askedLines: of('asked').map(({ name, source }) => `${name}: ${source}`) }; // prettier-ignore
}

describe('schedules in the habits that people have', () => {
  test.each(['tuned.txt', 'first.txt', 'held.txt'])('%s', (file) => {
    const { right, asked, wrong, askedLines } = count(file);
    if (process.env.PEMBIT_SHOW_ASKED) console.log(askedLines.join('\n'));
    expect(wrong).toEqual([]);
    expect(right).toBeGreaterThanOrEqual(0.85);
    expect(asked).toBeLessThanOrEqual(0.12);
  });
});
