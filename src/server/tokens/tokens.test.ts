import { Temporal } from 'temporal-polyfill';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { tokenInput } from '@/core/tokens/token';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import { planSeenBy } from '../plan/planSeenBy';
import { openSession, signedInBy } from '../session/session';
import type { SignedIn } from '../session/session';
import { bearerOf, isOriginOpen } from './bearer';
import { endToken, makeToken, tokensFor } from './tokens';

const DAY = 86_400_000;
let school: School;
/** The instructor as somebody who has signed in just now. */
let maren: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  maren = await here(school.instructor);
  return () => school.close();
});
const here = async ({ person }: SignedIn) =>
  (await signedInBy(school.pembit, await openSession(school.pembit, person.id)))!;
const make = (json: object = {}, who = maren) =>
  makeToken(school.pembit, who, tokenInput.parse({ name: 'Timetable', scopes: ['write:plan'], ...json }));
const bearer = (secret: string, write = true) => bearerOf(school.pembit, secret, { write });

describe('a token', () => {
  test('acts for its owner, is kept as a hash, and notes when it was used', async () => {
    const { token, id } = valueOf(await make());
    const { actor } = (await bearer(token))!;
    valueOf(await planEntry(school.pembit, actor, workIn(school.course, { title: 'By a program' })));
    expect((await planSeenBy(school.pembit, maren.viewer)).entries.map(({ title }) => title)).toContain(
      'By a program',
    );
    const rows = await select<Record<string, unknown>>(school.pembit, 'SELECT * FROM tokens');
    expect(JSON.stringify(rows)).not.toContain(token.slice('pembit_'.length));
    expect((await tokensFor(school.pembit, maren)).own).toMatchObject([{ id, name: 'Timetable', lastUsed: expect.anything() as unknown }]); // prettier-ignore
  });

  test('opens nothing from the moment it is ended, nor once it is over', async () => {
    const { token, id } = valueOf(await make({ expires: '2026-10-14' }));
    school.later(DAY);
    expect(await bearer(token)).toBeDefined();
    school.later(2 * DAY);
    expect(await bearer(token)).toBeUndefined();
    school.later(0);
    valueOf(await endToken(school.pembit, maren, id));
    expect(await bearer(token)).toBeUndefined();
    expect(await bearer('pembit_' + 'x'.repeat(43))).toBeUndefined();
  });

  test('reaches no further than its owner does now', async () => {
    const { token } = valueOf(await make());
    await school.pembit.queue.write(({ sequelize, transaction }) =>
      sequelize.query('UPDATE people SET deactivated_at = 1 WHERE id = :id', {
        replacements: { id: maren.person.id },
        transaction,
      }),
    );
    expect(await bearer(token)).toBeUndefined();
  });

  test('reaches into the courses it names, and not beyond', async () => {
    const { token } = valueOf(await make({ courses: [school.course] }));
    expect([...(await bearer(token))!.actor.viewer.staffOf]).toEqual([school.course]);
    expect(await make({ courses: [crypto.randomUUID()] })).toMatchObject({ fields: [{ field: 'courses' }] });
  });

  test('holds the school for an administrator alone, and writes it where it says so', async () => {
    expect(await make({ scopes: ['read:school'] })).toMatchObject({ fields: [{ field: 'scopes' }] });
    const admin = { ...maren, person: { ...maren.person, isAdmin: true } };
    expect(await make({ scopes: ['read:school'], courses: [school.course] }, admin)).toMatchObject({ fields: [{ field: 'courses' }] }); // prettier-ignore
    const { token } = valueOf(await make({ scopes: ['read:school', 'write:plan'] }, admin));
    // Its owner is no administrator (any more).
    expect((await bearer(token, false))!.actor.person.isAdmin).toBe(false);
    await school.pembit.queue.write(({ sequelize, transaction }) =>
      sequelize.query('UPDATE people SET is_admin = 1 WHERE id = :id', {
        replacements: { id: maren.person.id },
        transaction,
      }),
    );
    expect((await bearer(token, false))!.actor.person.isAdmin).toBe(true);
    expect((await bearer(token, true))!.actor.person.isAdmin).toBe(false);
  });

  test('is made by whoever has signed in just now, and ended by its owner or the office', async () => {
    school.later(DAY / 2 - 1);
    expect(await make()).toMatchObject({ reason: 'signInAnew' });
    const again = await here(school.instructor);
    const { id } = valueOf(await make({}, again));
    const student = school.students[0]!;
    expect(await endToken(school.pembit, student, id)).toMatchObject({ reason: 'notFound' });
    const office = { ...student, person: { ...student.person, isAdmin: true } };
    expect((await tokensFor(school.pembit, office)).others.map((token) => token.id)).toEqual([id]);
    valueOf(await endToken(school.pembit, office, id));
  });

  test('is open to the pages it names, as long as it is good', async () => {
    valueOf(await make({ origins: ['https://timetable.example'], expires: '2026-10-14' }));
    expect(await isOriginOpen(school.pembit, 'https://timetable.example')).toBe(true);
    expect(await isOriginOpen(school.pembit, 'https://elsewhere.example')).toBe(false);
    school.later(3 * DAY);
    expect(await isOriginOpen(school.pembit, 'https://timetable.example')).toBe(false);
  });

  test('has a last day to come', async () => {
    expect(await make({ expires: Temporal.PlainDate.from('2026-10-12').toString() })).toMatchObject({ fields: [{ field: 'expires' }] }); // prettier-ignore
  });
});
