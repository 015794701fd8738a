import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import type { Retention } from '@/core/frame/retention';
import { questionInput } from '@/core/questions/questionInput';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import { archiveCourse } from '../frame/archive';
import { endGuardianAddress, issueGuardian } from '../guardians/issue';
import { allowQuestions, ask } from '../questions/ask';
import type { Pembit } from '../pembit';
import { giveBack } from '../signup/giveBack';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { erasuresIn } from '../people/erasures';
import { moveStudents } from '../people/membership';
import { tidy } from './tidy';

const DAY = 24 * 3_600_000;
let school: School;
let pembit: Pembit;
beforeEach(async () => {
  school = await newSchool();
  pembit = school.pembit;
  return () => school.close();
});

const keep = (retention: Retention, heldFor = '') =>
  pembit.sequelize.query(
    `INSERT INTO school (id, name, locale, week_start, second_step_for_staff, retention, held_for)
     VALUES ('school', 'S', 'en-GB', 1, 0, :retention, :heldFor)
     ON CONFLICT (id) DO UPDATE SET retention = excluded.retention, held_for = excluded.held_for`,
    { replacements: { retention: JSON.stringify(retention), heldFor } },
  );
const later = async (days: number) => {
  school.later(days * DAY);
  await tidy(pembit);
};
const everything = async () => JSON.stringify(await select(pembit, 'SELECT changes FROM history'));
const count = async (table: string) => (await select(pembit, `SELECT 1 AS one FROM ${table}`)).length;

async function taken(note: string) {
  const input = sheetInput.parse({
    title: 'Hours', audience: [{ course: school.course }],
    offering: { length: 30, stretches: [{ date: '2026-10-20', start: '12:00', end: '13:00' }] },
  }); // prettier-ignore
  const sheet = valueOf(await offerTimes(pembit, school.instructor, input));
  const [one, two] = school.students;
  valueOf(await takeTime(pembit, one!, sheet.slots[0]!.id, { note }));
  const other = valueOf(await takeTime(pembit, two!, sheet.slots[1]!.id, { note }));
  valueOf(await giveBack(pembit, two!, other.booking.id));
}

describe('what a school keeps no longer', () => {
  test('times and their notes go after their time, from the history as well', async () => {
    await keep({ bookings: 30 });
    await taken('A private matter');
    await later(20);
    expect([await count('bookings'), (await everything()).includes('A private matter')]).toEqual([1, true]);
    await later(60);
    expect([await count('bookings'), (await everything()).includes('A private matter')]).toEqual([0, false]);
  });

  test('questions and guardians’ addresses go when they are old, what the office has barred stays', async () => {
    await keep({ questions: 30, guardians: 30 });
    const [student] = school.students;
    const { id: about } = valueOf(await planEntry(pembit, school.instructor, workIn(school.course)));
    valueOf(await allowQuestions(pembit, school.instructor, school.course, true));
    valueOf(await ask(pembit, student!, questionInput.parse({ about, text: '<p>Which?</p>' })));
    const office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
    for (const [name, bar] of [
      ['Gran', undefined],
      ['Uncle', 'A court said so.'],
    ] as const) {
      const { id } = valueOf(await issueGuardian(pembit, student!, { name, shows: [] }));
      valueOf(await endGuardianAddress(pembit, office, id, { ...(bar ? { bar } : {}) }));
    }
    await later(20);
    expect([await count('questions'), await count('guardians')]).toEqual([1, 2]);
    await later(40);
    expect([await count('questions'), await count('guardians')]).toEqual([0, 1]);
  });

  test('nothing goes while it is held for a case', async () => {
    await keep({ bookings: 30, history: 30 }, 'A case at the board');
    await taken('A private matter');
    await later(60);
    expect([await count('bookings'), (await everything()).includes('A private matter')]).toEqual([1, true]);
  });

  test('nothing goes for age where nobody has decided, but letters after 90 days', async () => {
    await keep({});
    await taken('A private matter');
    await pembit.sequelize.query(`UPDATE outbox SET state = 'sent', sent_at = created_at`);
    await later(80);
    expect(await count('outbox')).toBeGreaterThan(0);
    await later(400);
    expect([await count('bookings'), await count('outbox')]).toEqual([1, 0]);
  });

  test('old acts go with what they say of people who have left', async () => {
    await keep({ history: 365 });
    const [student] = school.students;
    valueOf(await moveStudents(pembit, school.instructor, school.course, [student!.person.id], { kind: 'leave' })); // prettier-ignore
    expect(await everything()).toContain(student!.person.id);
    await later(366);
    expect(await everything()).not.toContain(student!.person.id);
  });

  test('people on no roster and no staff are erased, and the journal knows; others stay', async () => {
    await keep({ people: 365 });
    const [student] = school.students;
    valueOf(await moveStudents(pembit, school.instructor, school.course, [student!.person.id], { kind: 'leave' })); // prettier-ignore
    const before = await count('people');
    await later(366);
    expect(await count('people')).toBe(before - 1);
    expect(erasuresIn(pembit.config.dataFolder).map(({ id }) => id)).toEqual([student!.person.id]);
  });

  test('read dates and recordings go by their own time', async () => {
    await keep({ readDates: 30, recordings: 60 });
    await pembit.sequelize.query(`INSERT INTO outlet_reads VALUES ('o', '2026-10-13', 1, ${pembit.now().epochMilliseconds})`); // prettier-ignore
    await pembit.sequelize.query(`INSERT INTO files (id, hash, name, media_type, size, created_at) VALUES ('a', 'ha', 'a', 'video/mp4', 1, ${pembit.now().epochMilliseconds}), ('b', 'hb', 'b', 'application/pdf', 1, ${pembit.now().epochMilliseconds})`); // prettier-ignore
    await pembit.sequelize.query(`INSERT INTO materials (id, course_id, position, kind, title, url, text, tzid, file_id, sequence, created_at, modified_at) VALUES ('m1', '${school.course}', 0, 'recording', 'A', '', '', 'America/Halifax', 'a', 0, 0, 0), ('m2', '${school.course}', 1, 'webContent', 'B', '', '', 'America/Halifax', 'b', 0, 0, 0)`); // prettier-ignore
    await later(40);
    expect([await count('outlet_reads'), await count('files')]).toEqual([0, 2]);
    await later(70);
    expect(await select(pembit, 'SELECT id FROM files')).toEqual([{ id: 'b' }]);
  });
});

test('a course archives itself 60 days after its term, and not before', async () => {
  // The term ends on 18 December 2026, 66 days from now.
  const archived = async () => (await select(pembit, 'SELECT id FROM courses WHERE archived_at IS NOT NULL')).length; // prettier-ignore
  await later(66 + 59);
  expect(await archived()).toBe(0);
  await later(66 + 62);
  expect(await archived()).toBe(2);
  // One that its instructor brings back stays, the next night, too.
  valueOf(await archiveCourse(pembit, school.instructor, school.course, false));
  await later(66 + 63);
  expect(await archived()).toBe(1);
});

test('archived courses go after their time, and the act that took them away keeps nothing of them', async () => {
  await keep({ courses: 365 });
  await taken('A private matter');
  await later(66 + 62);
  await later(66 + 62 + 366);
  expect(await count('courses')).toBe(0);
  const acts = await select<{ act: string }>(pembit, `SELECT act FROM history WHERE act = 'tidy'`);
  expect(acts).toEqual([]);
});
