import { randomUUID } from 'node:crypto';
import { Webhook as Signer } from 'standardwebhooks';
import { waitAfter } from '@/core/tokens/webhook';
import { tokenById } from '@/data/tokens/tokens';
import type { KeptWebhook, Pending } from '@/data/webhooks/webhooks';
import { keepPending, noteFailed, noteTold, webhooksDue } from '@/data/webhooks/webhooks';
import { happenedBetween, read, written } from '../following/state';
import { stateNow } from '../following/stateNow';
import { guardedPost } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import { unseal } from '../session/sealed';
import { ownerWithin } from '../tokens/bearer';

/** The clock and rosters show and hide things, too: it is looked at least so often. */
const LOOK_MS = 10_000;
/** What is answered is read no further. */
const LARGEST_ANSWER = 1024;

/** When each was looked at last, and at which state of all plans. */
const looked = new WeakMap<Pembit, Map<string, Readonly<{ version: number; atMs: number }>>>();

/** A message as the specification Standard Webhooks has it; what a type means is in docs/api.md. */
const bodyOf = (pembit: Pembit, type: 'changes' | 'test', data: object): string =>
  JSON.stringify({
    type: `pembit.${type}`,
    timestamp: pembit.now().toString({ smallestUnit: 'second' }),
    data,
  });

/** Sends a message; undefined where it was taken, else the status or why there was none. */
async function send(
  pembit: Pembit,
  hook: KeptWebhook,
  { id, body }: Readonly<{ id: string; body: string }>,
): Promise<string | undefined> {
  const now = new Date(pembit.now().epochMilliseconds);
  const signature = new Signer(unseal(pembit, { purpose: 'webhook', of: hook.id }, hook.secret)).sign(id, now, body); // prettier-ignore
  const answer = await guardedPost(pembit.config, hook.url, Buffer.from(body, 'utf8'), {
    largest: LARGEST_ANSWER,
    beyond: 'cut',
    signal: pembit.stopping,
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-length': String(Buffer.byteLength(body)),
      'webhook-id': id,
      'webhook-timestamp': String(Math.floor(now.getTime() / 1000)),
      'webhook-signature': signature,
    },
  });
  if (!answer.ok) return answer.reason;
  return answer.status >= 200 && answer.status < 300 ? undefined : String(answer.status);
}

/** A message that says nothing, to see whether it arrives; it counts for nothing. */
export const sendTest = (pembit: Pembit, hook: KeptWebhook): Promise<string | undefined> =>
  send(pembit, hook, {
    id: randomUUID(),
    body: bodyOf(pembit, 'test', { webhook: hook.id, events: [] }),
  });

/** Whether something may have happened since it was looked at last. */
function isToLookAt(pembit: Pembit, { id }: KeptWebhook): boolean {
  const known = looked.get(pembit) ?? new Map<string, Readonly<{ version: number; atMs: number }>>();
  looked.set(pembit, known);
  const version = pembit.queue.version();
  const atMs = pembit.now().epochMilliseconds;
  const last = known.get(id);
  if (last?.version === version && atMs - last.atMs < LOOK_MS) return false;
  known.set(id, { version, atMs });
  return true;
}

/** What happened since it was told last, for the first time or again. */
async function pendingOf(pembit: Pembit, hook: KeptWebhook): Promise<Pending | undefined> {
  if (hook.pending) return hook.pending;
  if (!isToLookAt(pembit, hook)) return undefined;
  const token = await tokenById(pembit, hook.token);
  const actor = token && (await ownerWithin(pembit, token, { write: false }));
  if (!actor) return undefined;
  const now = await stateNow(pembit, actor, hook.lists);
  const events = happenedBetween(read(hook.state), now);
  if (events.length === 0) return undefined;
  const pending = {
    id: randomUUID(),
    body: bodyOf(pembit, 'changes', { webhook: hook.id, events }),
    state: written(now),
  };
  await pembit.queue.write((writer) => keepPending(writer, hook.id, pending), { aside: true });
  return pending;
}

async function deliver(pembit: Pembit, hook: KeptWebhook): Promise<void> {
  const pending = await pendingOf(pembit, hook);
  if (!pending) return;
  const failure = await send(pembit, hook, pending);
  // What was broken off because the process ends is nobody's failure: it is sent again by the next.
  if (failure !== undefined && pembit.stopping.aborted) return;
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    (writer) => {
      if (failure === undefined) return noteTold(writer, hook.id, pending.state, nowMs);
      const wait = waitAfter(hook.attempts + 1);
      return noteFailed(writer, hook.id, { failure, nextMs: wait && nowMs + wait * 1000, nowMs });
    },
    { aside: true },
  );
}

/**
 * Tells every address what began, changed or ceased for its token since it was told last. What is not taken is kept and tried
 * again under the same id; a slow one holds up no other.
 */
export async function deliverWebhooks(pembit: Pembit): Promise<void> {
  const due = await webhooksDue(pembit, pembit.now().epochMilliseconds);
  await Promise.all(due.map((hook) => deliver(pembit, hook)));
}
