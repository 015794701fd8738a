import { asInserted } from '../../../tests/support/asInserted';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { acceptInvitation, invite, invitedBy } from '../people/invitation';
import type { Pembit } from '../pembit';
import { hashPassword } from './password';
import { cookieName, signIn, signOut, signOutEverywhere, signedInBy } from './session';

let school: School;
let pembit: Pembit;
const PASSWORD = 'a long enough password';
const HOUR = 3_600_000;
beforeAll(async () => {
  school = await newSchool();
  pembit = school.pembit;
  await pembit.sequelize.query('UPDATE people SET password_hash = :hash', {
    replacements: { hash: await hashPassword(PASSWORD) },
  });
});
afterAll(() => school.close());

const emailOf = { instructor: 'p0@school.example', student: 'p2@school.example' };
async function tokenOf(email: string): Promise<string> {
  const outcome = await signIn(pembit, { email: email, password: PASSWORD });
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value.token;
}
const after = async (hours: number, token: string) => {
  school.later(hours * HOUR);
  const found = await signedInBy(pembit, token);
  school.later(0);
  return found !== undefined;
};

describe('signing in', () => {
  test('takes the address in any case; a wrong password and an unknown address are the same answer', async () => {
    expect((await signIn(pembit, { email: ' P2@School.example', password: PASSWORD })).ok).toBe(true);
    expect(await signIn(pembit, { email: emailOf.student, password: 'wrong' })).toMatchObject({
      reason: 'wrongSignIn',
    });
    expect(await signIn(pembit, { email: 'nobody@school.example', password: PASSWORD })).toMatchObject({
      reason: 'wrongSignIn',
    });
  });

  test('the database keeps no token', async () => {
    const token = await tokenOf(emailOf.student);
    const rows = await select<{ id: string }>(pembit, 'SELECT id FROM sessions');
    expect(rows.some((row) => row.id.includes(token))).toBe(false);
    expect((await signedInBy(pembit, token))?.person.email).toBe(emailOf.student);
    expect(await signedInBy(pembit, `${token}x`)).toBeUndefined();
    expect(await signedInBy(pembit, undefined)).toBeUndefined();
  });

  test('lasts 90 days for students', async () => {
    const token = await tokenOf(emailOf.student);
    expect(await after(89 * 24, token)).toBe(true);
    expect(await after(91 * 24, token)).toBe(false);
  });

  test('lasts 12 hours of silence for staff, and 7 days in all', async () => {
    expect(await after(11, await tokenOf(emailOf.instructor))).toBe(true);
    expect(await after(13, await tokenOf(emailOf.instructor))).toBe(false);
    const token = await tokenOf(emailOf.instructor);
    for (let hour = 10; hour <= 160; hour += 10) expect(await after(hour, token)).toBe(true);
    expect(await after(169, token)).toBe(false);
  });

  test('ends on one device, or on all', async () => {
    const [one, two, three] = [
      await tokenOf(emailOf.student),
      await tokenOf(emailOf.student),
      await tokenOf(emailOf.student),
    ];
    await signOut(pembit, (await signedInBy(pembit, one))!);
    expect([await after(0, one), await after(0, two)]).toEqual([false, true]);
    await signOutEverywhere(pembit, (await signedInBy(pembit, two))!);
    expect([await after(0, two), await after(0, three)]).toEqual([false, false]);
  });

  test('uses a cookie bound to its host where there is https', () => {
    expect(cookieName('https://pembit.example')).toBe('__Host-pembit');
    expect(cookieName('http://localhost:4310')).toBe('pembit_session');
  });
});

describe('a first sign-in', () => {
  const student = () => school.students[0]!.person;
  async function linkTo(): Promise<string> {
    await pembit.queue.write((writer) =>
      invite(pembit, writer, [student()], { sender: school.instructor.person.id, to: 'HL 210' }),
    );
    const [letter] = await select<{ body: string }>(
      pembit,
      `SELECT body FROM outbox ORDER BY created_at DESC, ${asInserted(pembit, 'DESC')} LIMIT 1`,
    );
    return /\/welcome\/([\w-]+)/.exec(letter!.body)![1]!;
  }

  test('works once by the link in the letter; looking does not spend it', async () => {
    const token = await linkTo();
    expect((await invitedBy(pembit, token))?.email).toBe(student().email);
    expect((await invitedBy(pembit, token))?.email).toBe(student().email);
    expect(await acceptInvitation(pembit, token, 'another long password')).toMatchObject({
      ok: true,
      value: { email: student().email },
    });
    expect(await acceptInvitation(pembit, token, 'a third long password')).toMatchObject({
      ok: false,
      reason: 'notFound',
    });
    expect((await signIn(pembit, { email: student().email, password: 'another long password' })).ok).toBe(
      true,
    );
  });

  test('ends sessions that were open, holds for 7 days, and a newer link ends an older one', async () => {
    const open = (await signIn(pembit, { email: student().email, password: 'another long password' })) as {
      value: { token: string };
    };
    const [older, newer] = [await linkTo(), await linkTo()];
    expect(await invitedBy(pembit, older)).toBeUndefined();
    school.later(7 * 24 * HOUR + 60_000);
    expect(await invitedBy(pembit, newer)).toBeUndefined();
    school.later(0);
    expect((await acceptInvitation(pembit, newer, 'the newest long password')).ok).toBe(true);
    expect(await signedInBy(pembit, open.value.token)).toBeUndefined();
  });
});
