import { isAnyDue } from '@/data/jobs/claims';
import { claimLetters, markLetter } from '@/data/mail/outbox';
import type { QueuedLetter } from '@/data/mail/outbox';
import type { Pembit } from '../pembit';
import type { Carrier } from './carrier';
import { PermanentRefusal } from './carrier';
import { letterHtml } from './letterHtml';
import { endingHeaders } from './unsubscribe';
import { LETTER_MS, smtpCarrier } from './smtpCarrier';

const MINUTE = 60_000;
/** How long a letter waits after its first, second ... failure; after the last one it is given up. */
const BACK_OFF = [MINUTE, 5 * MINUTE, 30 * MINUTE, 2 * 60 * MINUTE, 12 * 60 * MINUTE] as const;
/** So many are on their way at once: one that takes long holds up no others. */
const AT_ONCE = 5;
/** So many letters of one round; however long each takes, they are this process's own until they have been tried. */
const ROUND = 50;

/** SMTP when it is configured; in a demo the mailbox stand-in; otherwise letters wait. */
export function carrierOf(config: Pembit['config']): Carrier | undefined {
  if (config.smtpUrl) return smtpCarrier(config);
  if (!config.standins) return undefined;
  return async (letter) => {
    const answer = await fetch(`http://127.0.0.1:${config.standinsPort}/mailbox/deliver`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        messageId: `<${letter.id}@pembit>`,
        to: letter.to,
        subject: letter.subject,
        text: letter.text,
        html: letterHtml(letter),
        headers: endingHeaders(letter, config.baseUrl),
        attachments: letter.calendar
          ? [{ filename: 'time.ics', method: letter.calendar.method, content: letter.calendar.text }]
          : [],
      }),
      signal: AbortSignal.timeout(10_000),
    });
    if (!answer.ok) throw new Error(`The mailbox answered ${answer.status}.`);
  };
}

/** Ends with what carrying ends with, or with an error after so long. */
function within(ms: number, work: Promise<void>): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('The mail server took too long.')), ms);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

async function send(pembit: Pembit, carry: Carrier, letter: QueuedLetter, limitMs: number): Promise<void> {
  const failure = await within(limitMs, carry(letter)).then(
    () => undefined,
    (error: unknown) => (error instanceof Error ? error : new Error(String(error))),
  );
  const nowMs = pembit.now().epochMilliseconds;
  const wait = failure instanceof PermanentRefusal ? undefined : BACK_OFF[letter.attempts];
  pembit.metrics.letters.inc({ outcome: failure ? (wait === undefined ? 'givenUp' : 'failed') : 'sent' });
  if (failure)
    pembit.log.warn(
      {
        letter: letter.id,
        attempt: letter.attempts + 1,
        givenUp: wait === undefined,
        error: failure.message,
      },
      'A letter was not handed over',
    );
  const result = failure
    ? ({ state: wait === undefined ? 'failed' : 'queued', error: failure.message, nextAttemptMs: nowMs + (wait ?? 0) } as const) // prettier-ignore
    : ({ state: 'sent', sentAtMs: nowMs } as const);
  await pembit.queue.write((writer) => markLetter(writer, letter, result), { aside: true, locks: [] });
}

/**
 * One round of the outbox: everything due is handed over, several letters at a time; what fails is tried again later, at last
 * given up. What can never arrive is given up at once, and its sender is told.
 */
export async function sendDueMail(pembit: Pembit, carry: Carrier, limitMs = LETTER_MS): Promise<number> {
  const nowMs = pembit.now().epochMilliseconds;
  if (!(await isAnyDue(pembit, 'outbox', nowMs))) return 0;
  const claimed = { nowMs, most: ROUND, holdMs: limitMs * ROUND };
  const letters = await pembit.queue.write((writer) => claimLetters(writer, claimed), {
    aside: true,
    locks: [],
  });
  const left = [...letters];
  const carryOn = async () => {
    for (let letter = left.shift(); letter; letter = left.shift()) await send(pembit, carry, letter, limitMs);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, carryOn));
  return letters.length;
}
