import { createHash } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Refusal } from '@/core/refusals';
import { answeredBy, beginOnce, forgetOnce, keepAnswer } from '@/data/requests/answered';
import type { Pembit } from '../pembit';

/** Of an answer these come again with it. */
const KEPT_HEADERS = ['content-type', 'etag', 'pembit-history', 'location'] as const;
const REPLAYED = 'pembit-replayed';

const hashOf = (...parts: string[]) => createHash('sha256').update(JSON.stringify(parts)).digest('hex');

/** A request that says by a key of its own that it is to be done once, however often it comes. */
export type Keyed = Readonly<{ person: PersonId; key: string; path: string; body: unknown }>;

/**
 * Does what a request asks for once by its key (the IETF draft on Idempotency-Key): what was answered with success comes again,
 * for a day; what was refused may be tried again. Where it began and nobody knows how it ended it is not done a second time.
 */
export async function onlyOnce(
  pembit: Pembit,
  { person, key: given, path, body }: Keyed,
  work: () => Promise<Response>,
): Promise<Response | Extract<Refusal, 'underWay' | 'keyReused'>> {
  const key = hashOf(person, path, given);
  const request = hashOf(JSON.stringify(body ?? null));
  const nowMs = pembit.now().epochMilliseconds;
  const begins = await pembit.queue.write((writer) => beginOnce(writer, { key, person, request, nowMs }), { aside: true }); // prettier-ignore
  if (!begins) {
    const before = await answeredBy(pembit, key);
    if (!before?.answer) return before && before.request !== request ? 'keyReused' : 'underWay';
    if (before.request !== request) return 'keyReused';
    const { status, headers, body: text } = before.answer;
    return new Response(text, { status, headers: { ...headers, 'cache-control': 'no-store', [REPLAYED]: 'true' } }); // prettier-ignore
  }
  const forget = () => pembit.queue.write((writer) => forgetOnce(writer, key), { aside: true });
  const response = await work();
  const isKept = response.ok && response.headers.get('content-type')?.startsWith('application/json');
  if (!isKept) {
    await forget();
    return response;
  }
  const answer = {
    status: response.status,
    headers: Object.fromEntries(KEPT_HEADERS.flatMap((name) => (response.headers.has(name) ? [[name, response.headers.get(name)!]] : []))),
    body: await response.clone().text(),
  }; // prettier-ignore
  await pembit.queue.write((writer) => keepAnswer(writer, key, answer), { aside: true });
  return response;
}
