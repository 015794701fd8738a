import { describe, expect, test } from 'vitest';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { STRANDS } from './classNumber';
import { formatPattern } from './formatPattern';
import type { PatternClass, Weeks } from './pattern';
import { readPattern } from './typedPattern';

const read = (text: string) => {
  const typed = readPattern(text);
  return typed.ok
    ? typed.classes
        .map(
          (c) =>
            `${c.strand ? `${c.strand} ` : ''}${c.weekday ?? c.cycleDay} ${String(c.start).slice(0, 5)}-${String(c.end).slice(0, 5)}${c.weeks ? ` ${JSON.stringify(c.weeks)}` : ''}${c.place ? ` @${c.place}` : ''}`,
        )
        .join(', ')
    : typed.why;
};

describe('a typed week', () => {
  test.each([
    ['Tue Thu 10-11:50', '2 10:00-11:50, 4 10:00-11:50'],
    ['Mon 9-10; Fri 13:00-15:00', '1 09:00-10:00, 5 13:00-15:00'],
    ['mondays and wednesdays 12-1', '1 12:00-13:00, 3 12:00-13:00'],
    ['Tu/Th 1400-1515', '2 14:00-15:15, 4 14:00-15:15'],
    ['sat 9a-noon\nsun 10-11', '6 09:00-12:00, 7 10:00-11:00'],
    ['', ''],
    ['Tue 2-4', 'ask'],
    ['Tue 14-13', 'backwards'],
    ['Tue', 'time'],
    ['10-11', 'day'],
    ['Someday 10-11', 'day'],
    ['Wed 14-17, odd weeks', '3 14:00-17:00 {"every":2,"from":1}'],
    ['Wed 14-17 even weeks', '3 14:00-17:00 {"every":2,"from":2}'],
    ['Mon 9-10, every 3rd week from week 2', '1 09:00-10:00 {"every":3,"from":2}'],
    ['Mon 9-10, every other week', '1 09:00-10:00 {"every":2,"from":1}'],
    ['Mon 9-10, weeks 1-3, 7 and 9', '1 09:00-10:00 {"only":[1,2,3,7,9]}'],
    ['Mon 9-10, weeks when we like', 'weeks'],
    ['Mon 9-10, week 0', 'weeks'],
    ['Mon 9-10 in Shed 2', '1 09:00-10:00 @Shed 2'],
    ['Mon 9-10, odd weeks at the north quay', '1 09:00-10:00 {"every":2,"from":1} @the north quay'],
    ['Day A 9-10', 'A 09:00-10:00'],
    ['Days a, c 9-10:15 in Hall', 'A 09:00-10:15 @Hall, C 09:00-10:15 @Hall'],
    ['Day 1 9-10; Days 2 and 5 10-11', '1 09:00-10:00, 2 10:00-11:00, 5 10:00-11:00'],
    ['Fri 22-1', '5 22:00-01:00'],
    ['Fri 10pm-12:30am', '5 22:00-00:30'],
    ['Fri 20-midnight', '5 20:00-00:00'],
    ['Fri 17-9', 'backwards'],
    ['Tue Thu 10-11:20, lab Fri 14-17', '2 10:00-11:20, 4 10:00-11:20, lab 5 14:00-17:00'],
    ['Labs: Fri 14-17, odd weeks in Shed 2', 'lab 5 14:00-17:00 {"every":2,"from":1} @Shed 2'],
    ['seminar Day A 9-10', 'seminar A 09:00-10:00'],
    ['lunch Fri 12-13', 'day'],
  ])('%j is %s', (typed, expected) => expect(read(typed)).toBe(expected));
});

const times = fc
  .tuple(fc.integer({ min: 7, max: 22 }), fc.integer({ min: 0, max: 59 }), fc.integer({ min: 15, max: 400 }))
  .map(([hour, minute, minutes]) => {
    const start = new Temporal.PlainTime(hour, minute);
    return { start, end: start.add({ minutes }) };
  });
const weeks: fc.Arbitrary<Weeks> = fc.oneof(
  fc.record({ every: fc.integer({ min: 2, max: 6 }), from: fc.integer({ min: 1, max: 6 }) }),
  fc
    .uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 6 })
    .map((list) => ({ only: list.sort((a, b) => a - b) })),
);
const day = fc.oneof(
  fc.integer({ min: 1, max: 7 }).map((weekday) => ({ weekday })),
  fc.constantFrom('A', 'B', 'C', '1', '6').map((cycleDay) => ({ cycleDay })),
);
const one: fc.Arbitrary<PatternClass> = fc
  .tuple(
    day,
    times,
    fc.option(weeks),
    fc.option(fc.constantFrom('Shed 2', 'the loft, upper floor')),
    fc.option(fc.constantFrom(...STRANDS)),
  )
  .map(([on, range, among, place, strand]) => ({
    ...on,
    ...range,
    ...(among ? { weeks: among } : {}),
    ...(place ? { place } : {}),
    ...(strand ? { strand } : {}),
  }));

test('whatever a week is, it reads back as it is shown', () => {
  const plain = (classes: readonly PatternClass[]) =>
    classes
      .map((c) =>
        JSON.stringify([c.weekday, c.cycleDay, String(c.start), String(c.end), c.weeks, c.place, c.strand]),
      )
      .sort();
  fc.assert(
    fc.property(fc.array(one, { maxLength: 5 }), (classes) => {
      const read = readPattern(formatPattern(classes));
      expect(read.ok && plain(read.classes)).toEqual(plain(classes));
    }),
  );
});
