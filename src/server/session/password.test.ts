import { randomBytes, scryptSync } from 'node:crypto';
import { expect, test } from 'vitest';
import { TooBusy, hashPassword, isOutdated, verifyPassword } from './password';

const PASSWORD = 'a long enough password';

/** As passwords were hashed before. */
function oldHash(password: string): string {
  const salt = randomBytes(16);
  const key = scryptSync(password, salt, 32, { N: 2 ** 14, r: 8, p: 1 });
  return ['scrypt', 2 ** 14, 8, 1, salt.toString('base64url'), key.toString('base64url')].join('$');
}

test('a password is kept as Argon2id with its own salt, and nothing else fits', async () => {
  const [one, two] = await Promise.all([hashPassword(PASSWORD), hashPassword(PASSWORD)]);
  expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  expect(one).not.toBe(two);
  expect(await verifyPassword(PASSWORD, one)).toBe(true);
  expect(await verifyPassword(`${PASSWORD} `, one)).toBe(false);
  expect(isOutdated(one)).toBe(false);
});

test('the same letters in another form of Unicode are the same password', async () =>
  expect(await verifyPassword('ta\u0308rskel-fjord', await hashPassword('t\u00e4rskel-fjord'))).toBe(true));

test('a hash of before still fits, and is known to be of before', async () => {
  const old = oldHash(PASSWORD);
  expect(isOutdated(old)).toBe(true);
  expect(await verifyPassword(PASSWORD, old)).toBe(true);
  expect(await verifyPassword('another password', old)).toBe(false);
  expect(await verifyPassword(PASSWORD, 'nonsense')).toBe(false);
});

test('more than there is time for are refused at once; the others are done, and the process answers meanwhile', async () => {
  let ticks = 0;
  const timer = setInterval(() => ticks++, 5);
  const asked = await Promise.allSettled(Array.from({ length: 90 }, () => hashPassword(PASSWORD)));
  clearInterval(timer);
  const refused = asked.filter((one) => one.status === 'rejected');
  expect(refused.length).toBeGreaterThan(0);
  expect(refused.every(({ reason }) => reason instanceof TooBusy)).toBe(true);
  expect(asked.filter((one) => one.status === 'fulfilled').length).toBeGreaterThanOrEqual(64);
  expect(ticks).toBeGreaterThan(20);
});
