import { Secret, TOTP } from 'otpauth';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import { acceptInvitation, invite } from '../people/invitation';
import type { Pembit } from '../pembit';
import { changePassword, sendReset } from './ownPassword';
import { hashPassword } from './password';
import {
  beginSecondStep,
  confirmSecondStep,
  endSecondStep,
  hasSecondStep,
  owesSecondStep,
} from './secondStep';
import { openSession, signIn, signedInBy } from './session';
import { changeSettings } from '../frame/settings';
import { triesInMemory } from '@/data/people/tries';
import { keepTries, keptTries, secondsToWait, takeTries } from './tries';

const PASSWORD = 'a long enough password';
const STAFF = 'p0@school.example';
const STUDENT = 'p2@school.example';
const MINUTE = 60_000;
let school: School;
let pembit: Pembit;
beforeEach(async () => {
  school = await newSchool();
  pembit = school.pembit;
  const hash = await hashPassword(PASSWORD);
  await pembit.sequelize.query('UPDATE people SET password_hash = :hash', { replacements: { hash } });
});
afterEach(() => school.close());

const reasonOf = (outcome: Readonly<{ ok: boolean; reason?: string }>) =>
  outcome.ok ? 'ok' : outcome.reason;
const attempt = async (email: string, password: string, more: object = {}) =>
  reasonOf(await signIn(pembit, { email, password, from: '192.0.2.1', ...more }));

test('ten wrong passwords for an account pause it for that address alone, and a restart does not end the pause', async () => {
  for (let i = 0; i < 10; i++) await takeTries(pembit, [['signIn', `192.0.2.1 ${STUDENT}`]]);
  expect(await attempt(STUDENT, PASSWORD)).toBe('tooManyTries');
  // The rest of the class behind the same address, and the same person from elsewhere, sign in.
  expect(await attempt('p3@school.example', PASSWORD)).toBe('ok');
  expect(await attempt(STUDENT, PASSWORD, { from: '198.51.100.7' })).toBe('ok');

  await keepTries(pembit);
  const restarted = {
    ...pembit,
    tries: triesInMemory(pembit.queue, await keptTries(pembit, pembit.now().epochMilliseconds)),
  };
  const wait = await secondsToWait(restarted, 'signIn', `192.0.2.1 ${STUDENT}`);
  expect([wait > 0, wait <= 900]).toEqual([true, true]);
  expect(JSON.stringify(await select(pembit, 'SELECT * FROM tries'))).not.toContain('192.0.2.1');
  school.later(16 * MINUTE);
  expect(await attempt(STUDENT, PASSWORD)).toBe('ok');
});

test('a wrong password counts, the right one wipes it out', async () => {
  for (let i = 0; i < 3; i++) expect(await attempt(STUDENT, 'wrong')).toBe('wrongSignIn');
  expect(await attempt(STUDENT, PASSWORD)).toBe('ok');
  for (let i = 0; i < 9; i++) await takeTries(pembit, [['signIn', `192.0.2.1 ${STUDENT}`]]);
  expect(await attempt(STUDENT, PASSWORD)).toBe('ok');
});

test('a class of 200 behind one address, each wrong twice, shuts nobody out', async () => {
  for (let i = 0; i < 400; i++) await takeTries(pembit, [['address', '192.0.2.1']]);
  expect(await secondsToWait(pembit, 'address', '192.0.2.1')).toBe(0);
  for (let i = 0; i < 200; i++) expect(await takeTries(pembit, [['booking', `student ${i}`]])).toBe(0);
});

test('a new password by letter: one link, once, for thirty minutes, and the same answer for an address that is nobody’s', async () => {
  const letters = () =>
    select<{ recipient: string; body: string }>(pembit, 'SELECT recipient, body FROM outbox');
  expect(await sendReset(pembit, 'nobody@school.example', '192.0.2.1')).toEqual(await sendReset(pembit, STUDENT, '192.0.2.1')); // prettier-ignore
  const [letter, ...more] = await letters();
  expect(more).toEqual([]);
  expect(letter!.recipient).toBe(STUDENT);
  const token = /\/welcome\/([\w-]+)/.exec(letter!.body)![1]!;
  const student = valueOf(await signIn(pembit, { email: STUDENT, password: PASSWORD }));

  expect(reasonOf(await acceptInvitation(pembit, token, 'passwordpassword'))).toBe('badRequest');
  school.later(31 * MINUTE);
  expect(reasonOf(await acceptInvitation(pembit, token, 'battens and a sheer'))).toBe('notFound');
  school.later(29 * MINUTE);
  expect(reasonOf(await acceptInvitation(pembit, token, 'battens and a sheer'))).toBe('ok');
  expect(reasonOf(await acceptInvitation(pembit, token, 'another long one now'))).toBe('notFound');
  expect(await signedInBy(pembit, student.token)).toBeUndefined();
  expect(await attempt(STUDENT, 'battens and a sheer')).toBe('ok');
  for (let i = 0; i < 5; i++) await sendReset(pembit, STUDENT, '192.0.2.1');
  expect((await letters()).length).toBe(3);
});

test('a link that somebody else asks for does not end the one of an invitation', async () => {
  const person = school.students[1]!.person;
  await pembit.queue.write((writer) => invite(pembit, writer, [person], { sender: null, to: 'HL 210' }));
  const [letter] = await select<{ body: string }>(pembit, 'SELECT body FROM outbox');
  const token = /\/welcome\/([\w-]+)/.exec(letter!.body)![1]!;
  await sendReset(pembit, person.email, '192.0.2.1');
  expect(reasonOf(await acceptInvitation(pembit, token, 'battens and a sheer'))).toBe('ok');
  expect(await select(pembit, 'SELECT id FROM invitations')).toEqual([]);
});

test('whoever changes the password is signed in anew, and nowhere else', async () => {
  const old = await openSession(pembit, school.students[0]!.person.id);
  const actor = (await signedInBy(pembit, old))!;
  const wrong = await changePassword(pembit, actor, { current: 'not it', password: 'battens and a sheer' });
  expect(wrong).toMatchObject({ fields: [{ field: 'current' }] });
  const common = await changePassword(pembit, actor, { current: PASSWORD, password: 'qwertyuiop123' });
  expect(common).toMatchObject({ fields: [{ field: 'password' }] });
  const changed = valueOf(await changePassword(pembit, actor, { current: PASSWORD, password: 'battens and a sheer' })); // prettier-ignore
  expect(await signedInBy(pembit, old)).toBeUndefined();
  expect((await signedInBy(pembit, changed.token))?.person.id).toBe(actor.person.id);
});

// RFC 6238, appendix B: SHA-1, the secret 12345678901234567890, time 59 and 1111111109 (values from memory).
test('the codes are those of RFC 6238', () => {
  const totp = new TOTP({ secret: new Secret({ buffer: new TextEncoder().encode('12345678901234567890').buffer }), digits: 8 }); // prettier-ignore
  expect(totp.generate({ timestamp: 59_000 })).toBe('94287082');
  expect(totp.generate({ timestamp: 1_111_111_109_000 })).toBe('07081804');
});

test('a second step asks for a code, which works once; recovery codes replace it once each', async () => {
  const { instructor } = school;
  const { key } = valueOf(await beginSecondStep(pembit, instructor));
  const codeAt = (ms: number) =>
    new TOTP({ secret: Secret.fromBase32(key), digits: 6, period: 30 }).generate({
      timestamp: pembit.now().epochMilliseconds + ms,
    });
  // Until a code was typed it does not count.
  expect(await attempt(STAFF, PASSWORD)).toBe('ok');
  expect(reasonOf(await confirmSecondStep(pembit, instructor, '000000'))).toBe('wrongCode');
  const { recovery } = valueOf(await confirmSecondStep(pembit, instructor, codeAt(0)));
  expect(new Set(recovery).size).toBe(10);
  const [row] = await select<{ secret: string; recovery: string }>(pembit, 'SELECT * FROM second_steps');
  expect(row!.secret).not.toContain(key);
  expect(row!.recovery).not.toContain(recovery[0]!);

  expect(await attempt(STAFF, PASSWORD)).toBe('codeNeeded');
  expect(await attempt(STAFF, 'wrong', { code: codeAt(30_000) })).toBe('wrongSignIn');
  // The code that turned it on is spent; the next one is one step ahead, which is allowed.
  expect(await attempt(STAFF, PASSWORD, { code: codeAt(0) })).toBe('wrongCode');
  const next = codeAt(30_000);
  expect(await attempt(STAFF, PASSWORD, { code: next })).toBe('ok');
  expect(await attempt(STAFF, PASSWORD, { code: next })).toBe('wrongCode');
  school.later(5 * MINUTE);
  expect(await attempt(STAFF, PASSWORD, { code: codeAt(-90_000) })).toBe('wrongCode');
  expect(await attempt(STAFF, PASSWORD, { code: recovery[3]!.toUpperCase() })).toBe('ok');
  expect(await attempt(STAFF, PASSWORD, { code: recovery[3] })).toBe('wrongCode');

  expect(reasonOf(await endSecondStep(pembit, instructor, '123456'))).toBe('wrongCode');
  valueOf(await endSecondStep(pembit, instructor, codeAt(0)));
  expect(await hasSecondStep(pembit, instructor.person.id)).toBe(false);
  expect(await attempt(STAFF, PASSWORD)).toBe('ok');
});

test('students have no second step', async () => {
  expect(await beginSecondStep(pembit, school.students[0]!)).toMatchObject({ reason: 'notYours' });
});

test('a school that asks staff for a second step lets them do nothing else before; students, and who has it, go on', async () => {
  const owes = async (of = school.instructor) => owesSecondStep(pembit, of);
  expect(await owes()).toBe(false);
  const admin = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
  valueOf(await changeSettings(pembit, admin, { name: 'School', locale: 'en-GB', weekStart: 1, secondStepForStaff: true })); // prettier-ignore
  expect(await owes()).toBe(true);
  expect(await owes(school.students[0]!)).toBe(false);
  const { key } = valueOf(await beginSecondStep(pembit, school.instructor));
  expect(await owes()).toBe(true);
  const code = new TOTP({ secret: Secret.fromBase32(key) }).generate({ timestamp: pembit.now().epochMilliseconds }); // prettier-ignore
  valueOf(await confirmSecondStep(pembit, school.instructor, code));
  expect(await owes()).toBe(false);
});
