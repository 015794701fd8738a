import { randomBytes, randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { webhookTexts as say } from '@/core/texts/webhooks';
import type { Webhook, WebhookInput } from '@/core/tokens/webhook';
import { concernsPeople } from '@/core/tokens/webhook';
import { noteInOffice } from '@/data/people/officeLog';
import { tokenById } from '@/data/tokens/tokens';
import type { KeptWebhook } from '@/data/webhooks/webhooks';
import {
  approveWebhook,
  deleteWebhook,
  everyWebhook,
  insertWebhook,
  resumeWebhook,
  webhookById,
  webhooksOf,
} from '@/data/webhooks/webhooks';
import { written } from '../following/state';
import { listsRead, stateNow } from '../following/stateNow';
import { isSecureOrOwn } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import { seal } from '../session/sealed';
import type { SignedIn } from '../session/session';
import { isFresh } from '../session/session';
import { ownerWithin } from '../tokens/bearer';
import { sendTest } from './deliver';

const MOST = 20;

type Act = 'makeToken' | 'endToken' | 'approveWebhook';

const mayFor = (actor: SignedIn, act: Act, owner: PersonId): boolean =>
  may(actor, act, { parts: [], owner }).ok;

const hostOf = ({ url }: Pick<Webhook, 'url'>): string => new URL(url).host;

/** Has an address told of what changes for a token of one's own; the secret that signs its deliveries is told this once. */
export async function makeWebhook(
  pembit: Pembit,
  actor: SignedIn,
  input: WebhookInput,
): Promise<Outcome<{ id: string; host: string; secret: string; approved: boolean }>> {
  const token = await tokenById(pembit, input.token);
  if (!token || token.owner !== actor.person.id || !mayFor(actor, 'makeToken', token.owner))
    return refused('notFound');
  const bad = (field: string, message: string) => refused('badRequest', [{ field, message }]);
  if (!isSecureOrOwn(pembit.config, input.url)) return bad('url', say.address);
  const reader = await ownerWithin(pembit, token, { write: false });
  if (!reader) return refused('notFound');
  const read = listsRead(reader);
  const lists = input.lists ?? read;
  if (lists.length === 0 || lists.some((list) => !read.includes(list))) return bad('lists', say.unread);
  if (!(await isFresh(pembit, actor))) return refused('signInAnew');
  const id = randomUUID();
  const secret = `whsec_${randomBytes(32).toString('base64')}`;
  const approved = !concernsPeople(lists) || actor.person.isAdmin;
  const kept = {
    id,
    token: token.id,
    url: input.url,
    lists,
    secret: seal(pembit, { purpose: 'webhook', of: id }, secret),
    approved,
    state: written(await stateNow(pembit, reader, lists)),
  };
  const nowMs = pembit.now().epochMilliseconds;
  return pembit.queue.write(
    async (writer) => {
      if ((await webhooksOf(writer, token.owner)).length >= MOST)
        return bad('url', say.tooMany({ most: MOST }));
      await insertWebhook(writer, kept, nowMs);
      return done({ id, host: hostOf(kept), secret, approved });
    },
    { aside: true },
  );
}

/** A webhook that somebody may do something to; what is not theirs is not there. */
async function webhookFor(pembit: Pembit, actor: SignedIn, act: Act, id: string): Promise<KeptWebhook | undefined> {
  const hook = await webhookById(pembit, id);
  return hook && mayFor(actor, act, hook.owner) ? hook : undefined;
} // prettier-ignore

/** Tells an address nothing any more: one's own, or, by the office, anybody's. */
export async function endWebhook(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ host: string }>> {
  const hook = await webhookFor(pembit, actor, 'endToken', id);
  if (!hook) return refused('notFound');
  await pembit.queue.write(
    async (writer) => {
      await deleteWebhook(writer, id);
      if (hook.owner === actor.person.id) return;
      const nowMs = pembit.now().epochMilliseconds;
      await noteInOffice(
        { ...writer, nowMs },
        { act: 'webhook', actor: actor.person.id, person: hook.owner },
      );
    },
    { aside: true },
  );
  return done({ host: hostOf(hook) });
}

/** The office agrees that an address is told who comes to times, from now on. */
export async function agreeToWebhook(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ host: string }>> {
  const hook = await webhookFor(pembit, actor, 'approveWebhook', id);
  if (!hook) return refused('notFound');
  const token = await tokenById(pembit, hook.token);
  const reader = token && (await ownerWithin(pembit, token, { write: false }));
  if (!reader) return refused('notFound');
  const state = written(await stateNow(pembit, reader, hook.lists));
  await pembit.queue.write(
    async (writer) => {
      const nowMs = pembit.now().epochMilliseconds;
      await approveWebhook(writer, id, state, nowMs);
      await noteInOffice({ ...writer, nowMs }, { act: 'webhookAgreed', actor: actor.person.id, person: hook.owner }); // prettier-ignore
    },
    { aside: true },
  );
  return done({ host: hostOf(hook) });
}

/** Goes on with one that paused, from what it was told last. */
export async function resumeTelling(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ host: string }>> {
  const hook = await webhookFor(pembit, actor, 'makeToken', id);
  if (!hook) return refused('notFound');
  await pembit.queue.write((writer) => resumeWebhook(writer, id), { aside: true });
  return done({ host: hostOf(hook) });
}

/** Sends a test now; `failure`: what was answered where it was not taken. */
export async function testWebhook(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ host: string; failure?: string }>> {
  const hook = await webhookFor(pembit, actor, 'makeToken', id);
  if (!hook) return refused('notFound');
  const failure = await sendTest(pembit, hook);
  return done({ host: hostOf(hook), ...(failure === undefined ? {} : { failure: failureWords(failure) }) });
}

/** Why something was not taken, in a sentence. */
export const failureWords = (failure: string): string =>
  failure in say.failure
    ? say.failure[failure as keyof typeof say.failure]
    : say.status({ status: Number(failure) });

/** One's own, and for the office those of others as well. */
export async function webhooksFor(
  pembit: Pembit,
  actor: SignedIn,
): Promise<Readonly<{ own: readonly KeptWebhook[]; others: readonly KeptWebhook[] }>> {
  const all = actor.person.isAdmin ? await everyWebhook(pembit) : await webhooksOf(pembit, actor.person.id);
  const own = all.filter(({ owner }) => owner === actor.person.id);
  return { own, others: all.filter((hook) => !own.includes(hook)) };
}

/** A webhook as the API lists it: without what signs, and where it stands. */
export const webhookRecord = (hook: KeptWebhook) => ({
  id: hook.id,
  token: hook.token,
  owner: hook.ownerName,
  url: hook.url,
  lists: hook.lists,
  created: hook.created.toString({ smallestUnit: 'second' }),
  state: !hook.approved ? 'waiting' : hook.paused ? 'paused' : hook.failure === undefined ? 'fine' : 'failing',
  ...(hook.failure === undefined ? {} : { failure: failureWords(hook.failure) }),
  ...(hook.lastTold ? { lastTold: hook.lastTold.toString({ smallestUnit: 'second' }) } : {}),
} as const); // prettier-ignore
