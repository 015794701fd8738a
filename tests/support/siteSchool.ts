import { randomUUID } from 'node:crypto';
import { afterAll, afterEach, beforeAll, beforeEach } from 'vitest';
import type { PersonId } from '@/core/ids';
import type { Launch } from '@/core/lti/message';
import { recordChange } from '@/data/history/change';
import { insertSiteAccount } from '@/data/lti/accounts';
import { insertPlacing } from '@/data/lti/passing';
import { personRow } from '@/data/people/people';
import { savePlatform } from '@/server/lti/platforms';
import type { Pembit } from '@/server/pembit';
import type { SignedIn } from '@/server/session/session';
import { valueOf } from './outcomes';
import type { Platform } from './platform';
import { newPlatform } from './platform';
import type { School } from './school';
import { newSchool } from './school';

/** A small school that has connected a course's site, with somebody in its office. */
export type SiteSchool = {
  school: School;
  platform: Platform;
  /** The school's, which may ask the site on this machine. */
  pembit: Pembit;
  admin: SignedIn;
  /** The id of the site's registration. */
  site: string;
};

/** What the office says of the site. */
export const siteInput = ({ platform }: Pick<SiteSchool, 'platform'>) => ({
  name: 'Learning at Kittiwake',
  issuer: platform.issuer,
  clientId: platform.clientId,
  keysUrl: `${platform.origin}/keys`,
  authUrl: `${platform.origin}/auth`,
  tokenUrl: `${platform.origin}/token`,
  tokenAudience: '',
  deployments: ['1'],
  origins: [] as string[],
  asksNames: true,
});

/** A new one before each test; the site's keys, which take long to make, are the same for all. */
export function siteSchool({ students }: Readonly<{ students?: number }> = {}): SiteSchool {
  const at = {} as SiteSchool;
  beforeAll(async () => {
    at.platform = await newPlatform(() => at.school.pembit.now().epochMilliseconds);
  });
  afterAll(() => at.platform.close());
  beforeEach(async () => {
    at.school = await newSchool({ students });
    const log = { warn: () => undefined } as unknown as Pembit['log'];
    const { pembit } = at.school;
    at.pembit = { ...pembit, log, config: { ...pembit.config, allowedHosts: ['127.0.0.1'] } };
    Object.assign(at.platform.members, { all: [], page: 50, broken: undefined });
    at.platform.registrations.length = 0;
    const row = personRow({ id: randomUUID() as PersonId, email: 'office@school.example', name: 'Office', isAdmin: true }, 0, 'x'); // prettier-ignore
    await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, (change) =>
      change.insert('people', [row]),
    );
    at.admin = await at.school.signedIn(row.id as PersonId);
    at.site = valueOf(await savePlatform(at.pembit, at.admin, siteInput(at))).id;
  });
  afterEach(() => at.school.close());
  return at;
}

/** The site knows the students by the first letters of their addresses. */
export const knownOnSite = ({ pembit, platform, school }: SiteSchool) =>
  pembit.queue.write(async (writer) => {
    for (const { person } of school.students)
      await insertSiteAccount(writer, { person: person.id, issuer: platform.issuer, subject: person.email.split('@')[0]!, role: 'takes', nowMs: 0 }); // prettier-ignore
  });

/** A launch that waits for somebody, an instructor unless said otherwise, to go on with it. */
export async function waitingFor({ pembit, site, school }: SiteSchool, launch: Partial<Launch>, person = school.instructor.person.id): Promise<string> {
  const id = randomUUID();
  const whole = { person: { subject: 't1', role: 'teaches' }, deployment: '1', opens: { kind: 'target', path: '/next' }, ...launch };
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write((writer) => insertPlacing(writer, { id, platform: site, person, launch: JSON.stringify(whole), until: nowMs + 3_600_000, nowMs }));
  return id;
} // prettier-ignore
