import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import Provider from 'oidc-provider';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { PersonId } from '@/core/ids';
import { select } from '@/data/database';
import { readConfig } from '../config';
import type { Pembit } from '../pembit';
import { beginSchoolSignIn, finishSchoolSignIn, schoolSignOut } from './schoolSignIn';
import { owesSecondStep } from './secondStep';
import { signedInBy } from './session';

/**
 * Against a provider of somebody else's making (oidc-provider, an implementation certified by the OpenID Foundation): its
 * settings are its own, but for the client and where claims come from.
 */
type Account = Readonly<{ email?: string; email_verified?: boolean }>;
const accounts = new Map<string, Account>();
let server: Server;
let issuer: string;
let school: School;
let pembit: Pembit;

beforeAll(async () => {
  const probe = createServer();
  await new Promise<void>((ready) => probe.listen(0, '127.0.0.1', () => ready()));
  const { port } = probe.address() as AddressInfo;
  await new Promise((closed) => probe.close(closed));
  issuer = `http://127.0.0.1:${port}`;
  const provider = new Provider(issuer, {
    clients: [
      {
        client_id: 'pembit',
        client_secret: 'a secret of the client',
        redirect_uris: ['http://localhost:4310/api/school-sign-in/callback'],
        post_logout_redirect_uris: ['http://localhost:4310/sign-in'],
      },
    ],
    claims: { email: ['email', 'email_verified'] },
    findAccount: (_, id) => ({ accountId: id, claims: () => ({ sub: id, ...accounts.get(id) }) }),
  });
  const answer = provider.callback();
  server = createServer((request, response) => void answer(request, response));
  await new Promise<void>((ready) => server.listen(port, '127.0.0.1', () => ready()));
});
afterAll(() => new Promise((closed) => server.close(closed)));

const open = async (env: Record<string, string> = {}) => {
  const config = readConfig({ PEMBIT_DATA: school.pembit.config.dataFolder, PEMBIT_NOW: '2026-10-13T12:00:00Z', PEMBIT_OIDC_ISSUER: issuer, PEMBIT_OIDC_SECRET: 'a secret of the client', ...env }); // prettier-ignore
  return { ...school.pembit, config };
};
beforeEach(async () => {
  school = await newSchool();
  pembit = await open();
  accounts.clear();
});
afterEach(() => school.close());

/** A browser at the provider: follows it with its cookies, signs in as an account, agrees, and comes back with a query. */
async function atProvider(start: string, account: string): Promise<string> {
  const jar = new Map<string, string>();
  let url = start;
  let body: URLSearchParams | undefined;
  for (let step = 0; step < 15; step++) {
    const answer = await fetch(url, {
      method: body ? 'POST' : 'GET',
      body,
      redirect: 'manual',
      headers: { cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; ') },
    });
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair = ''] = cookie.split(';');
      const [name = '', value = ''] = pair.split(/=(.*)/s);
      jar.set(name, value);
    }
    body = undefined;
    const location = answer.headers.get('location');
    if (location) {
      url = new URL(location, url).href;
      if (url.startsWith('http://localhost:4310/')) return new URL(url).search;
      continue;
    }
    const html = await answer.text();
    const prompt = /name="prompt" value="(\w+)"/.exec(html)?.[1];
    if (!prompt) throw new Error(`The provider answered ${answer.status}: ${html.slice(0, 300)}`);
    url = new URL(/<form[^>]*action="([^"]+)"/.exec(html)![1]!, url).href;
    body = new URLSearchParams(prompt === 'login' ? { prompt, login: account, password: 'x' } : { prompt });
  }
  throw new Error('The provider led nowhere.');
}

async function come(account: string, { as = pembit, link }: { as?: Pembit; link?: PersonId } = {}) {
  const begun = valueOf(await beginSchoolSignIn(as, '/term', link));
  return finishSchoolSignIn(as, await atProvider(begun.url, account), begun.cookie, link);
}
const emailOf = (n: number) => `p${n}@school.example`;
const who = async (outcome: Awaited<ReturnType<typeof come>>) =>
  outcome.ok && outcome.value.token ? (await signedInBy(pembit, outcome.value.token))?.person.email : outcome.ok ? 'linked' : outcome.reason; // prettier-ignore
const links = () =>
  select<{ subject: string }>(pembit, 'SELECT subject FROM school_accounts ORDER BY subject');

describe('whoever comes by the school’s sign-in', () => {
  test('is known by a verified address, which UserInfo says, and by their account from then on', async () => {
    accounts.set('u1', { email: emailOf(2), email_verified: true });
    expect(await who(await come('u1'))).toBe(emailOf(2));
    expect(await links()).toEqual([{ subject: 'u1' }]);
    accounts.set('u1', { email: 'renamed@school.example', email_verified: true });
    expect(await who(await come('u1'))).toBe(emailOf(2));
  });

  test('opens nothing of whoever had the address before', async () => {
    accounts.set('u1', { email: emailOf(2), email_verified: true });
    await come('u1');
    accounts.set('u2', { email: emailOf(2), email_verified: true });
    expect(await who(await come('u2'))).toBe('notVouchedFor');
  });

  test.each<[string, Account, Record<string, string>, string]>([
    ['an address that is not verified', { email: emailOf(2), email_verified: false }, {}, 'notVouchedFor'],
    ['not even where unsaid ones count', { email: emailOf(2), email_verified: false }, { PEMBIT_OIDC_UNVERIFIED: '1' }, 'notVouchedFor'],
    ['an address of which nothing is said', { email: emailOf(2) }, {}, 'notVouchedFor'],
    ['such a one, where the operator lets it count', { email: emailOf(2) }, { PEMBIT_OIDC_UNVERIFIED: '1' }, emailOf(2)],
    ['no address at all', {}, {}, 'notVouchedFor'],
    ['an address that nobody here has', { email: 'nobody@school.example', email_verified: true }, {}, 'notVouchedFor'],
  ])('%s', async (_, account, env, expected) => {
    accounts.set('u1', account);
    expect(await who(await come('u1', { as: await open(env) }))).toBe(expected);
  }); // prettier-ignore

  test('not as somebody who is deactivated', async () => {
    accounts.set('u1', { email: emailOf(2), email_verified: true });
    await come('u1');
    await pembit.sequelize.query('UPDATE people SET deactivated_at = 1 WHERE email = :email', { replacements: { email: emailOf(2) } }); // prettier-ignore
    expect(await who(await come('u1'))).toBe('notVouchedFor');
  });

  test('with a cookie that was changed, or for another journey, is refused', async () => {
    accounts.set('u1', { email: emailOf(2), email_verified: true });
    const begun = valueOf(await beginSchoolSignIn(pembit, '/term'));
    const query = await atProvider(begun.url, 'u1');
    const other = valueOf(await beginSchoolSignIn(pembit, '/term'));
    expect(await finishSchoolSignIn(pembit, query, other.cookie)).toMatchObject({ reason: 'notVouchedFor' });
    expect(await finishSchoolSignIn(pembit, query, `x${begun.cookie}`)).toMatchObject({ ok: false });
  });
});

describe('linking', () => {
  test('is for whoever asked for it and is still signed in, and for an account that is nobody else’s', async () => {
    const [one, two] = school.students.map(({ person }) => person.id) as [PersonId, PersonId];
    accounts.set('u7', { email: 'private@elsewhere.example', email_verified: true });
    expect(await who(await come('u7', { link: one }))).toBe('linked');
    expect(await who(await come('u7'))).toBe(emailOf(2));
    expect(await who(await come('u7', { link: two }))).toBe('notVouchedFor');
    const begun = valueOf(await beginSchoolSignIn(pembit, '/account', two));
    accounts.set('u8', {});
    const query = await atProvider(begun.url, 'u8');
    expect(await finishSchoolSignIn(pembit, query, begun.cookie, one)).toMatchObject({
      reason: 'notVouchedFor',
    });
  });
});

test('signing out goes on at the provider', async () => {
  const url = new URL((await schoolSignOut(pembit))!);
  expect([url.origin, url.searchParams.get('post_logout_redirect_uri')]).toEqual([
    issuer,
    'http://localhost:4310/sign-in',
  ]);
});

test('staff who have no password here owe no second step of Pembit’s', async () => {
  await pembit.sequelize.query(
    `INSERT INTO school (id, name, locale, week_start, second_step_for_staff) VALUES ('school', 'S', 'en-GB', 1, 1)`,
  );
  expect(await owesSecondStep(pembit, school.instructor)).toBe(false);
  await pembit.sequelize.query(`UPDATE people SET password_hash = 'x' WHERE id = :id`, {
    replacements: { id: school.instructor.person.id },
  });
  expect(await owesSecondStep(pembit, school.instructor)).toBe(true);
});
