import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Platform, PlatformInput } from '@/core/lti/platform';
import { originsOf } from '@/core/lti/platform';
import { readConfiguration, readRegistered, registrationOf } from '@/core/lti/registration';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameTexts } from '@/core/texts/frame';
import { ltiTexts } from '@/core/texts/lti';
import {
  everyPlatform,
  holdsRegistration,
  insertRegistration,
  platformById,
  platformsOf,
  putPlatform,
  removePlatform,
  spendRegistration,
} from '@/data/lti/platforms';
import { noteInOffice } from '@/data/people/officeLog';
import type { Writer } from '@/data/reader';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { SiteSilent, askSite } from './askSite';

/** The sites that are connected, or wait to be, for the office. */
export async function platformsFor(pembit: Pembit, actor: SignedIn): Promise<Outcome<readonly Platform[]>> {
  return actor.person.isAdmin ? done(await everyPlatform(pembit)) : refused('notYours');
}

/** What a site has to be told about Pembit to be connected by hand. */
export const ownAddresses = ({ config: { baseUrl } }: Pembit) => ({
  login: `${baseUrl}/lti/login`,
  launch: `${baseUrl}/lti/launch`,
  keys: `${baseUrl}/lti/keys.json`,
});

/** Connects a site, or changes what is known of one. Whoever does it says with it that the site may launch. */
export async function savePlatform(
  pembit: Pembit,
  actor: SignedIn,
  input: PlatformInput,
  id: string = randomUUID(),
  { anew = true }: Readonly<{ anew?: boolean }> = {},
): Promise<Outcome<{ id: string; name: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const nowMs = pembit.now().epochMilliseconds;
  return pembit.queue.write(
    async (writer) => {
      if (!anew && !(await platformById(writer, id))) return refused('notFound');
      const others = await platformsOf(writer, input.issuer, input.clientId);
      if (others.some((other) => other.id !== id))
        return refused('badRequest', [{ field: 'clientId', message: ltiTexts.office.known }]);
      await putPlatform(writer, { ...input, id, origins: originsOf(input), accepted: true }, nowMs);
      await noteInOffice({ ...writer, nowMs }, { act: 'platform', actor: actor.person.id });
      return done({ id, name: input.name });
    },
    { aside: true },
  );
}

type Doing = (writer: Writer, platform: Platform, nowMs: number) => Promise<unknown>;

/** Does something to a site that is known here, and notes who did it. */
async function change(pembit: Pembit, actor: SignedIn, id: string, [act, doing]: readonly ['platform' | 'platformEnded', Doing]): Promise<Outcome<{ name: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const nowMs = pembit.now().epochMilliseconds;
  return pembit.queue.write(
    async (writer) => {
      const platform = await platformById(writer, id);
      if (!platform) return refused('notFound');
      await doing(writer, platform, nowMs);
      await noteInOffice({ ...writer, nowMs }, { act, actor: actor.person.id });
      return done({ name: platform.name });
    },
    { aside: true },
  );
} // prettier-ignore

/** The office's yes to a site that has registered itself. */
export const acceptPlatform = (pembit: Pembit, actor: SignedIn, id: string): Promise<Outcome<{ name: string }>> =>
  change(pembit, actor, id, ['platform', (writer, platform, nowMs) => putPlatform(writer, { ...platform, accepted: true }, nowMs)]); // prettier-ignore

/** Disconnects a site: nobody comes in by it any more, what it opened is closed, and no roster follows it. */
export const endPlatform = (
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ name: string }>> => change(pembit, actor, id, ['platformEnded', removePlatform]);

const HOLDS_MS = 3_600_000;
const hashOf = (code: string) => createHash('sha256').update(code).digest('base64url');

/** An address at which a site registers itself, once, within an hour. */
export async function makeRegistrationAddress(
  pembit: Pembit,
  actor: SignedIn,
): Promise<Outcome<{ url: string }>> {
  if (!actor.person.isAdmin) return refused('notYours');
  const code = randomBytes(24).toString('base64url');
  const until = pembit.now().epochMilliseconds + HOLDS_MS;
  await pembit.queue.write((writer) => insertRegistration(writer, hashOf(code), until), { aside: true });
  return done({ url: `${pembit.config.baseUrl}/lti/register/${code}` });
}

export type Registered = 'done' | 'over' | 'badSite' | 'refused';

/** Registers Pembit with a site that has opened the address (LTI Dynamic Registration); it then waits for the office's yes. */
export async function registerWith(pembit: Pembit, code: string, form: URLSearchParams): Promise<Registered> {
  const nowMs = pembit.now().epochMilliseconds;
  if (!(await holdsRegistration(pembit, hashOf(code), nowMs))) return 'over';
  const from = form.get('openid_configuration') ?? '';
  if (!URL.canParse(from)) return 'badSite';
  try {
    const site = readConfiguration((await askSite(pembit, from)).body, from);
    if (!site) return 'badSite';
    // Spent before anything is registered: twice at once is once.
    if (!(await pembit.queue.write((writer) => spendRegistration(writer, hashOf(code), nowMs), { aside: true }))) return 'over';
    const { registrationUrl, ...known } = site;
    const token = form.get('registration_token');
    const { body } = await askSite(pembit, registrationUrl, {
      headers: { 'content-type': 'application/json', ...(token ? { authorization: `Bearer ${token}` } : {}) },
      body: JSON.stringify(registrationOf(pembit.config.baseUrl, frameTexts.product)),
    });
    const answered = readRegistered(body);
    if (!answered) return 'refused';
    const { clientId, deployment } = answered;
    const [before] = await platformsOf(pembit, known.issuer, clientId);
    const said = { ...known, clientId, deployments: deployment ? [deployment] : [], origins: [] as string[], asksNames: true };
    const platform = { ...said, id: before?.id ?? randomUUID(), origins: originsOf(said), accepted: false };
    await pembit.queue.write((writer) => putPlatform(writer, platform, nowMs), { aside: true });
    return 'done';
  } catch (error) {
    if (!(error instanceof SiteSilent)) throw error;
    pembit.log.warn({ err: error, site: new URL(from).host }, 'A course site could not be registered with');
    return 'refused';
  }
} // prettier-ignore
