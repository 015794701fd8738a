import { afterAll, beforeAll, expect, test } from 'vitest';
import { anotherProcess } from '../../../tests/support/processes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { valueOf } from '../../../tests/support/outcomes';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import type { Pembit } from '../pembit';
import { offerTimes } from './offerTimes';
import { takeTime } from './takeTime';

let school: School;
let there: Pembit;
beforeAll(async () => {
  school = await newSchool({ students: 200 });
  there = await anotherProcess(school.pembit);
});
afterAll(async () => {
  await there.close();
  await school.close();
});

test('of 200 who take the same time in the same moment, through two processes, one has it; the others are told', async () => {
  const input = sheetInput.parse({
    title: 'Office hours',
    audience: [{ course: school.course }],
    offering: { stretches: [{ date: '2026-10-15', start: '12:00', end: '14:00' }], length: 25, gap: 5 },
    rules: { perSheet: 1 },
  });
  const sheet = valueOf(await offerTimes(school.pembit, school.instructor, input));
  for (const slot of sheet.slots) {
    const answers = await Promise.all(
      school.students.map((student, i) => takeTime(i % 2 ? there : school.pembit, student, slot.id, {})),
    );
    const refused = answers.flatMap((answer) => (answer.ok ? [] : [answer.reason]));
    expect(refused).toHaveLength(199);
    // Whoever has one of the times before is told that they have had theirs.
    expect(refused.every((reason) => reason === 'timeTaken' || reason === 'timesUsedUp')).toBe(true);
    expect(await select(there, 'SELECT id FROM bookings WHERE slot_id = :id', { id: slot.id })).toHaveLength(
      1,
    );
  }
});
