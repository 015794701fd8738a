import nodemailer from 'nodemailer';
import { dueLetters, markLetter } from '@/data/mail/outbox';
import type { QueuedLetter } from '@/data/mail/outbox';
import type { Pembit } from '../pembit';

/** Hands a letter over, or throws. */
export type Carrier = (letter: QueuedLetter) => Promise<void>;

const MINUTE = 60_000;
/** How long a letter waits after its first, second ... failure; after the last one it is given up. */
const BACK_OFF = [MINUTE, 5 * MINUTE, 30 * MINUTE, 2 * 60 * MINUTE, 12 * 60 * MINUTE] as const;

/** Pembit's own address: letters come from it, and it organizes what they invite to. */
export const mailboxOf = (config: Pembit['config']): string => `pembit@${new URL(config.baseUrl).hostname}`;

/** SMTP when it is configured; in a demo the mailbox stand-in; otherwise letters wait. */
export function carrierOf(config: Pembit['config']): Carrier | undefined {
  if (config.smtpUrl) {
    const transport = nodemailer.createTransport(config.smtpUrl);
    return async (letter) => {
      await transport.sendMail({
        from: `Pembit <${mailboxOf(config)}>`,
        to: letter.to,
        subject: letter.subject,
        text: letter.text,
        messageId: `<${letter.id}@pembit>`,
        ...(letter.calendar
          ? {
              icalEvent: {
                method: letter.calendar.method,
                filename: 'time.ics',
                content: letter.calendar.text,
              },
            }
          : {}),
      });
    };
  }
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
        attachments: letter.calendar
          ? [{ filename: 'time.ics', method: letter.calendar.method, content: letter.calendar.text }]
          : [],
      }),
      signal: AbortSignal.timeout(10_000),
    });
    if (!answer.ok) throw new Error(`The mailbox answered ${answer.status}.`);
  };
}

/** One round of the outbox: everything due is handed over; what fails is tried again later, at last given up. */
export async function sendDueMail(pembit: Pembit, carry: Carrier): Promise<number> {
  const letters = await dueLetters(pembit, pembit.now().epochMilliseconds, 50);
  for (const letter of letters) {
    const failure = await carry(letter).then(
      () => undefined,
      (error: unknown) => (error instanceof Error ? error.message : String(error)),
    );
    const nowMs = pembit.now().epochMilliseconds;
    const wait = BACK_OFF[letter.attempts];
    await pembit.queue.write(
      (writer) =>
        markLetter(
          writer,
          letter,
          failure === undefined
            ? { state: 'sent', sentAtMs: nowMs }
            : {
                state: wait === undefined ? 'failed' : 'queued',
                error: failure,
                nextAttemptMs: nowMs + (wait ?? 0),
              },
        ),
      { aside: true },
    );
  }
  return letters.length;
}
