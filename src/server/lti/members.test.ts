import { createLocalJWKSet, jwtVerify } from 'jose';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { Platform } from '../../../tests/support/platform';
import { newPlatform } from '../../../tests/support/platform';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Launch } from '@/core/lti/message';
import { placedInput } from '@/core/lti/placedInput';
import { select } from '@/data/database';
import { insertSiteAccount } from '@/data/lti/accounts';
import { contextsOfCourse, insertContext } from '@/data/lti/contexts';
import { insertPlacing } from '@/data/lti/passing';
import { everyPlatform, platformsOf } from '@/data/lti/platforms';
import { recordChange } from '@/data/history/change';
import { personRow } from '@/data/people/people';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { followMembers, followSites, previewMembers, readMembers } from './followMembers';
import { linkCourse, unlinkCourse } from './linkCourse';
import { publicKeys, rotateKeys, signForSite } from './ownKeys';
import { place } from './placing';
import {
  acceptPlatform,
  endPlatform,
  makeRegistrationAddress,
  registerWith,
  savePlatform,
} from './platforms';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const MEMBERSHIP = 'http://purl.imsglobal.org/vocab/lis/v2/membership#';

let school: School;
let platform: Platform;
let pembit: Pembit;
let admin: SignedIn;
let site: string;
beforeAll(async () => {
  platform = await newPlatform(() => school.pembit.now().epochMilliseconds);
});
afterAll(() => platform.close());
beforeEach(async () => {
  school = await newSchool();
  const log = { warn: () => undefined } as unknown as Pembit['log'];
  pembit = { ...school.pembit, log, config: { ...school.pembit.config, allowedHosts: ['127.0.0.1'] } };
  Object.assign(platform.members, { all: [], page: 50, broken: undefined });
  platform.registrations.length = 0;
  const row = personRow({ id: randomUUID() as PersonId, email: 'office@school.example', name: 'Office', isAdmin: true }, 0, 'x'); // prettier-ignore
  await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, (change) =>
    change.insert('people', [row]),
  );
  admin = await school.signedIn(row.id as PersonId);
  site = valueOf(await savePlatform(pembit, admin, input())).id;
});
afterEach(() => school.close());

const input = () => ({
  name: 'Learning at Kittiwake',
  issuer: platform.issuer,
  clientId: platform.clientId,
  keysUrl: `${platform.origin}/keys`,
  authUrl: `${platform.origin}/auth`,
  tokenUrl: `${platform.origin}/token`,
  tokenAudience: '',
  deployments: ['1'],
  origins: [],
  asksNames: true,
});
const member = (id: string, more: object = {}) => ({
  user_id: id,
  name: `Student ${id}`,
  email: `${id}@kittiwake.example`,
  roles: [`${MEMBERSHIP}Learner`],
  status: 'Active',
  ...more,
});
const roster = async (course: CourseId = school.course) =>
  (await select<{ email: string }>(pembit, 'SELECT people.email FROM roster JOIN people ON people.id = person_id WHERE course_id = :course ORDER BY 1', { course })).map(({ email }) => email); // prettier-ignore
async function link(more: object = {}): Promise<string> {
  const id = randomUUID();
  await pembit.queue.write((writer) =>
    insertContext(writer, { id, platform: site, deployment: '1', context: id, title: 'Hull', course: school.course, membersUrl: `${platform.origin}/members`, linkedBy: school.instructor.person.id, nowMs: 0, ...more }),
  ); // prettier-ignore
  return id;
}
/** The students of the small school are known to the site by the first letters of their addresses. */
const knownOnSite = () =>
  pembit.queue.write(async (writer) => {
    for (const { person } of school.students)
      await insertSiteAccount(writer, { person: person.id, issuer: platform.issuer, subject: person.email.split('@')[0]!, role: 'takes', nowMs: 0 }); // prettier-ignore
  });
const subjects = () => school.students.map(({ person }) => person.email.split('@')[0]!);

describe('a roster that follows its site', () => {
  test('is compared first, page by page, with a token by a signed assertion; nothing is saved', async () => {
    const id = await link();
    platform.members.all = [member('n1'), member('n2'), member('t1', { roles: [`${MEMBERSHIP}Instructor`] }), member('n3', { status: 'Inactive' }), { no: 'member' }]; // prettier-ignore
    platform.members.page = 2;
    const before = await roster();
    const preview = valueOf(await previewMembers(pembit, school.instructor, id));
    expect(preview).toEqual({ added: ['Student n1', 'Student n2'], present: 0, gone: [] });
    expect(await roster()).toEqual(before);
    const [assertion] = platform.assertions.slice(-1);
    expect(assertion).toMatchObject({ iss: platform.clientId, sub: platform.clientId, aud: `${platform.origin}/token` }); // prettier-ignore
    expect(await previewMembers(pembit, school.stranger, id)).toMatchObject({ ok: false });
  });

  test('takes who joins, without a letter, and keeps who leaves for 48 hours', async () => {
    const id = await link();
    await knownOnSite();
    platform.members.all = [
      ...subjects()
        .slice(1)
        .map((one) => member(one)),
      member('n1'),
    ];
    const gone = school.students[0]!.person.email;
    expect(valueOf(await followMembers(pembit, school.instructor, id, true))).toEqual({ added: 1, off: 0, absent: 1 }); // prettier-ignore
    expect(await roster()).toEqual(expect.arrayContaining([gone, 'n1@kittiwake.example']));
    expect(await select(pembit, "SELECT id FROM outbox WHERE recipient = 'n1@kittiwake.example'")).toEqual(
      [],
    );
    school.later(47 * HOUR);
    await followSites(pembit);
    expect(await roster()).toContain(gone);
    school.later(49 * HOUR);
    await followSites(pembit);
    expect(await roster()).not.toContain(gone);
    // Who has been taken off comes back with the list.
    platform.members.all.push(member(subjects()[0]!));
    school.later(50 * HOUR);
    await followSites(pembit);
    expect(await roster()).toContain(gone);
  });

  test('follows nothing once it was told so, or the link has ended', async () => {
    const id = await link();
    platform.members.all = [member('n1')];
    valueOf(await followMembers(pembit, school.instructor, id, true));
    valueOf(await followMembers(pembit, school.instructor, id, false));
    platform.members.all = [member('n1'), member('n2')];
    await followSites(pembit);
    expect(await roster()).not.toContain('n2@kittiwake.example');
    valueOf(await unlinkCourse(pembit, school.instructor, id));
    expect(await readMembers(pembit, school.instructor, id, { even: false })).toMatchObject({ ok: false });
  });

  test('is held back where many would be gone, until somebody says so', async () => {
    const many = await newSchool({ students: 8 });
    await school.close();
    school = many;
    pembit = {
      ...many.pembit,
      log: pembit.log,
      config: { ...many.pembit.config, allowedHosts: ['127.0.0.1'] },
    };
    const office = { ...many.instructor, person: { ...many.instructor.person, isAdmin: true } };
    site = valueOf(await savePlatform(pembit, office, input())).id;
    const id = await link();
    await knownOnSite();
    platform.members.all = [member(subjects()[0]!)];
    expect(valueOf(await readMembers(pembit, many.instructor, id, { even: false })).held).toEqual({ known: 8, gone: 7 }); // prettier-ignore
    expect(valueOf(await readMembers(pembit, many.instructor, id, { even: true }))).toMatchObject({
      absent: 7,
    });
    school.later(49 * HOUR);
    expect(valueOf(await readMembers(pembit, many.instructor, id, { even: true }))).toMatchObject({ off: 7 });
    expect(await roster()).toHaveLength(1);
  });

  test('a section’s list says nothing of another section, and moves who changes', async () => {
    const [, second] = await Promise.all([undefined, addSectionB()]);
    await knownOnSite();
    const id = await link({ section: second });
    platform.members.all = [member(subjects()[0]!)];
    expect(valueOf(await readMembers(pembit, school.instructor, id, { even: false }))).toEqual({ added: 0, off: 0, absent: 0 }); // prettier-ignore
    const [moved] = await select<{ section_id: string }>(pembit, 'SELECT section_id FROM roster WHERE course_id = :course AND person_id = :person', { course: school.course, person: school.students[0]!.person.id }); // prettier-ignore
    expect(moved!.section_id).toBe(second);
    expect(await roster()).toHaveLength(3);
  });

  test('enrols whoever has an account by their address as any list does; the site opens it only once they have signed in', async () => {
    const id = await link();
    const stranger = school.stranger.person;
    platform.members.all = [member('x9', { email: stranger.email })];
    valueOf(await readMembers(pembit, school.instructor, id, { even: false }));
    expect(await roster()).toContain(stranger.email);
    expect(await select(pembit, 'SELECT id FROM lti_accounts')).toEqual([]);
  });

  test('without names, where the school keeps none', async () => {
    valueOf(await savePlatform(pembit, admin, { ...input(), asksNames: false }, site, { anew: false }));
    const id = await link();
    platform.members.all = [member('n1')];
    expect(valueOf(await previewMembers(pembit, school.instructor, id)).added).toEqual([
      'Somebody without a name',
    ]);
    valueOf(await readMembers(pembit, school.instructor, id, { even: false }));
    expect(JSON.stringify(await select(pembit, 'SELECT name, email FROM people'))).not.toMatch(
      /Student n1|n1@/,
    );
  });

  test.each([401, 500])('a site that answers %i is said, and nothing changes', async (broken) => {
    const id = await link();
    platform.members.broken = broken;
    const before = await roster();
    expect(await readMembers(pembit, school.instructor, id, { even: false })).toMatchObject({ ok: false, reason: 'siteSilent' }); // prettier-ignore
    expect(await roster()).toEqual(before);
    expect((await contextsOfCourse(pembit, school.course))[0]!.report).toContain('silent');
  });
});

async function addSectionB(): Promise<string> {
  const id = randomUUID();
  await pembit.queue.write(({ sequelize, transaction }) =>
    sequelize.query("INSERT INTO sections (id, course_id, name) VALUES (:id, :course, 'B')", { replacements: { id, course: school.course }, transaction }),
  ); // prettier-ignore
  return id;
}

const waiting = async (launch: Partial<Launch>, person = school.instructor.person.id): Promise<string> => {
  const id = randomUUID();
  const whole = { person: { subject: 't1', role: 'teaches' }, deployment: '1', opens: { kind: 'target', path: '/next' }, ...launch }; // prettier-ignore
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write((writer) => insertPlacing(writer, { id, platform: site, person, launch: JSON.stringify(whole), until: nowMs + HOUR, nowMs })); // prettier-ignore
  return id;
};

describe('a course is linked', () => {
  const course = { context: 'c1', title: 'HL 210' };

  test('by its instructor alone, and once: two lists for the same students would contradict each other', async () => {
    const first = await waiting({ course });
    expect(await linkCourse(pembit, school.stranger, first, { course: school.course })).toMatchObject({
      ok: false,
    });
    expect(await linkCourse(pembit, school.instructor, first, { course: randomUUID() as CourseId })).toMatchObject({ ok: false }); // prettier-ignore
    expect(valueOf(await linkCourse(pembit, school.instructor, first, { course: school.course })).to).toBe(
      '/next',
    );
    const second = await waiting({ course: { context: 'c2', title: 'Again' } });
    expect(await linkCourse(pembit, school.instructor, second, { course: school.course })).toMatchObject({ ok: false, fields: [{ field: 'section' }] }); // prettier-ignore
  });

  test('by nobody whom the site calls a student', async () => {
    const id = await waiting({ course, person: { subject: 't1', role: 'takes' } });
    expect(await linkCourse(pembit, school.instructor, id, { course: school.course })).toMatchObject({
      ok: false,
    });
  });
});

describe('what is placed', () => {
  const order = (more: object = {}) => ({
    opens: { kind: 'place' as const, order: { returnUrl: `${platform.origin}/back`, accepted: { types: ['ltiResourceLink', 'link', 'html'] as const, frames: true, several: false }, data: 'their own', ...more } },
  }); // prettier-ignore
  const DL = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
  const placing = async (body: object, more: object = {}) => {
    const answer = await place(pembit, school.instructor, await waiting(order(more) as Partial<Launch>), placedInput.parse(body)); // prettier-ignore
    const { to, jwt } = valueOf(answer);
    expect(to).toBe(`${platform.origin}/back`);
    const keys = createLocalJWKSet(await publicKeys(pembit));
    return (await jwtVerify(jwt, keys, { issuer: platform.clientId, audience: platform.issuer, currentDate: new Date(pembit.now().epochMilliseconds) })).payload; // prettier-ignore
  };

  test('goes back signed, with the site’s own data, as the site takes it', async () => {
    const said = await placing({
      kind: 'day',
      path: '/day/2026-10-15?course=HL',
      title: 'Thursday',
      frame: 500,
    });
    expect(said).toMatchObject({
      [`${DL}data`]: 'their own',
      [`${DL}content_items`]: [{ type: 'ltiResourceLink', title: 'Thursday', url: `${pembit.config.baseUrl}/day/2026-10-15?course=HL`, iframe: { width: 800, height: 500 } }],
      'https://purl.imsglobal.org/spec/lti/claim/message_type': 'LtiDeepLinkingResponse',
      'https://purl.imsglobal.org/spec/lti/claim/deployment_id': '1',
    }); // prettier-ignore
    const plain = { accepted: { types: ['link'] as const, frames: false, several: false } };
    const link = await placing({ kind: 'view', path: '/next', title: 'Next', frame: 500 }, plain);
    expect(link[`${DL}content_items`]).toEqual([{ type: 'link', title: 'Next', url: `${pembit.config.baseUrl}/next` }]); // prettier-ignore
  });

  test('may be nothing', async () => {
    const { jwt } = valueOf(await place(pembit, school.instructor, await waiting(order() as Partial<Launch>), undefined)); // prettier-ignore
    const [, body] = jwt.split('.');
    expect(JSON.parse(Buffer.from(body!, 'base64url').toString())).toMatchObject({
      [`${DL}content_items`]: [],
    });
  });

  test.each([
    '/account',
    '/school',
    'https://elsewhere.example',
    '//elsewhere.example',
    '/lti/join',
    '/api/account',
  ])('is nothing that sites do not show: %s', (path) => {
    expect(placedInput.safeParse({ kind: 'view', path, title: 'x' }).success).toBe(false);
  });

  test('by nobody but who was asked, and who teaches', async () => {
    const id = await waiting(order() as Partial<Launch>);
    const input = placedInput.parse({ kind: 'view', path: '/next', title: 'Next' });
    expect(await place(pembit, school.students[0]!, id, input)).toMatchObject({
      ok: false,
      reason: 'launchOver',
    });
    const student = school.students[0]!;
    expect(await place(pembit, student, await waiting(order() as Partial<Launch>, student.person.id), input)).toMatchObject({ ok: false, reason: 'launchOver' }); // prettier-ignore
    school.later(3 * HOUR);
    expect(await place(pembit, school.instructor, id, input)).toMatchObject({
      ok: false,
      reason: 'launchOver',
    });
  });
});

describe('a site registers itself', () => {
  const form = () =>
    new URLSearchParams({ openid_configuration: `${platform.origin}/configuration`, registration_token: 'theirs' }); // prettier-ignore
  const code = async () =>
    valueOf(await makeRegistrationAddress(pembit, admin))
      .url.split('/')
      .at(-1)!;

  test('once, with what Pembit is, and waits for the office', async () => {
    const own = await code();
    expect(await registerWith(pembit, own, form())).toBe('done');
    expect(platform.registrations[0]).toMatchObject({
      token: 'Bearer theirs',
      body: {
        initiate_login_uri: `${pembit.config.baseUrl}/lti/login`,
        redirect_uris: [`${pembit.config.baseUrl}/lti/launch`],
        jwks_uri: `${pembit.config.baseUrl}/lti/keys.json`,
        token_endpoint_auth_method: 'private_key_jwt',
      },
    });
    const [registered] = await platformsOf(pembit, platform.issuer, 'client-1');
    expect(registered).toMatchObject({ accepted: false, deployments: ['7'], origins: [platform.origin] });
    expect(await registerWith(pembit, own, form())).toBe('over');
    valueOf(await acceptPlatform(pembit, admin, registered!.id));
    expect((await platformsOf(pembit, platform.issuer, 'client-1'))[0]!.accepted).toBe(true);
  });

  test('not an hour later, not without an address, not where it says that it is another', async () => {
    expect(await registerWith(pembit, 'made-up', form())).toBe('over');
    expect(await registerWith(pembit, await code(), new URLSearchParams({ openid_configuration: `${platform.origin}/none` }))).toBe('refused'); // prettier-ignore
    expect(await registerWith(pembit, await code(), new URLSearchParams())).toBe('badSite');
    const late = await code();
    school.later(HOUR + 1);
    expect(await registerWith(pembit, late, form())).toBe('over');
  });

  test('is for the office alone, which connects by hand as well, and disconnects', async () => {
    expect(await makeRegistrationAddress(pembit, school.instructor)).toMatchObject({ ok: false });
    expect(await savePlatform(pembit, school.instructor, input())).toMatchObject({ ok: false });
    expect(await savePlatform(pembit, admin, input())).toMatchObject({
      ok: false,
      fields: [{ field: 'clientId' }],
    });
    expect(await endPlatform(pembit, school.instructor, site)).toMatchObject({ ok: false });
    await knownOnSite();
    valueOf(await endPlatform(pembit, admin, site));
    expect([await everyPlatform(pembit), await select(pembit, 'SELECT id FROM lti_accounts')]).toEqual([
      [],
      [],
    ]);
  });
});

describe('our own keys', () => {
  const kids = async () => (await publicKeys(pembit)).keys.map(({ kid }) => kid);
  const signer = async () => JSON.parse(Buffer.from((await signForSite(pembit, {})).split('.')[0]!, 'base64url').toString()) as { kid: string }; // prettier-ignore

  test('are shown without their private half, which the database holds sealed', async () => {
    const { keys } = await publicKeys(pembit);
    expect(keys).toHaveLength(1);
    expect(Object.keys(keys[0]!).sort()).toEqual(['alg', 'e', 'kid', 'kty', 'n', 'use']);
    const [row] = await select<{ sealed: string }>(pembit, 'SELECT sealed FROM lti_keys');
    expect(row!.sealed).not.toMatch(/"d"|kty/);
  });

  test('are made anew before 90 days are over; sites see a new one for a day before it signs, an old one for a month more', async () => {
    const [first] = await kids();
    school.later(89 * DAY);
    await rotateKeys(pembit);
    expect(await kids()).toHaveLength(2);
    expect((await signer()).kid).toBe(first);
    school.later(90 * DAY + HOUR);
    const second = (await kids()).find((kid) => kid !== first);
    expect((await signer()).kid).toBe(second);
    school.later(121 * DAY);
    await rotateKeys(pembit);
    expect(await kids()).toEqual([second]);
  });
});
