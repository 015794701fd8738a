import webPush from 'web-push';
import { removeDevice } from '@/data/notices/devices';
import type { QueuedNotice } from '@/data/notices/notices';
import { isAnyDue } from '@/data/jobs/claims';
import { claimNotices, markNotice } from '@/data/notices/notices';
import { guardedPost } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import { pushKeys } from './pushKeys';

const MINUTE = 60_000;
/** How long a notice waits after its first, second ... failure; after the last one it is given up. */
const BACK_OFF = [MINUTE, 5 * MINUTE, 30 * MINUTE] as const;
/** What is older than that says nothing any more: nobody hears in the evening that the morning is off. */
const HOLDS_MS = 12 * 60 * MINUTE;
const AT_ONCE = 5;
const ROUND = 100;
/** Longer than handing over a round can take. */
const HOLD_MS = 15 * MINUTE;
const ANSWER_BYTES = 4096;

/** The browser has given the address back, or its service knows it no more (RFC 8030, section 7.3). */
const isGone = (status: number) => status === 404 || status === 410;

/** Hands one notice to the service of the device's browser, encrypted for the device alone (RFC 8030, 8188, 8291, 8292). */
async function handOver(pembit: Pembit, notice: QueuedNotice): Promise<'sent' | 'gone' | 'failed'> {
  const { title, body, path, endpoint, p256dh, auth } = notice;
  const details = webPush.generateRequestDetails({ endpoint, keys: { p256dh, auth } }, JSON.stringify({ title, body, path }), {
    vapidDetails: { subject: `mailto:${pembit.config.mailFrom}`, ...pushKeys(pembit.secret) },
    TTL: HOLDS_MS / 1000,
    urgency: 'high',
    contentEncoding: 'aes128gcm',
  }); // prettier-ignore
  const headers = Object.fromEntries(Object.entries(details.headers as object).map(([name, value]) => [name, String(value)])); // prettier-ignore
  const answer = await guardedPost(pembit.config, endpoint, details.body!, {
    largest: ANSWER_BYTES,
    beyond: 'cut',
    headers,
  });
  if (!answer.ok) return 'failed';
  if (isGone(answer.status)) return 'gone';
  return answer.status >= 200 && answer.status < 300 ? 'sent' : 'failed';
}

async function send(pembit: Pembit, notice: QueuedNotice): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  const isOver = notice.createdMs + HOLDS_MS <= nowMs;
  const outcome = isOver ? 'failed' : await handOver(pembit, notice).catch(() => 'failed' as const);
  const wait = isOver ? undefined : BACK_OFF[notice.attempts];
  if (outcome === 'failed')
    pembit.log.warn({ notice: notice.id, attempt: notice.attempts + 1, givenUp: wait === undefined }, 'A notice was not handed over'); // prettier-ignore
  await pembit.queue.write(
    async (writer) => {
      if (outcome === 'gone') return void (await removeDevice(writer, notice.device));
      const attempts = notice.attempts + 1;
      if (outcome === 'sent') return markNotice(writer, notice.id, { state: 'sent', attempts });
      return wait === undefined
        ? markNotice(writer, notice.id, { state: 'failed', attempts })
        : markNotice(writer, notice.id, { state: 'queued', attempts, next_attempt_at: nowMs + wait });
    },
    { aside: true },
  );
}

/** One round: every notice that is due is handed over, several at a time; what fails is tried again later. */
export async function sendNotices(pembit: Pembit): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  if (!(await isAnyDue(pembit, 'notices', nowMs))) return;
  const claimed = { nowMs, most: ROUND, holdMs: HOLD_MS };
  const left = await pembit.queue.write((writer) => claimNotices(writer, claimed), {
    aside: true,
    locks: [],
  });
  const carryOn = async () => {
    for (let notice = left.shift(); notice; notice = left.shift()) await send(pembit, notice);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, carryOn));
}
