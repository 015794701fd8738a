import nodemailer from 'nodemailer';
import type { Config } from '../config';
import { letterHtml } from './letterHtml';
import { endingHeaders } from './unsubscribe';
import type { Carrier } from './carrier';
import { PermanentRefusal } from './carrier';

/** How long one letter may take in all, and each step of the conversation. */
export const LETTER_MS = 30_000;
const STEP_MS = 15_000;

type SmtpError = Readonly<{ responseCode?: number; code?: string; message?: string }>;

/**
 * Hands letters to a mail server. Where there are credentials they go encrypted or not at all, unless the operator says
 * PEMBIT_SMTP_PLAIN=1 by name. Answers go to whoever caused the letter; nothing answers it by itself (RFC 3834).
 */
export function smtpCarrier({ smtpUrl, smtpPlain, mailFrom, baseUrl }: Config): Carrier {
  const url = new URL(smtpUrl!);
  const transport = nodemailer.createTransport({
    host: url.hostname,
    port: url.port ? Number(url.port) : url.protocol === 'smtps:' ? 465 : 587,
    secure: url.protocol === 'smtps:',
    requireTLS: url.protocol === 'smtp:' && url.username !== '' && !smtpPlain,
    ...(url.username
      ? { auth: { user: decodeURIComponent(url.username), pass: decodeURIComponent(url.password) } }
      : {}),
    connectionTimeout: STEP_MS,
    greetingTimeout: STEP_MS,
    socketTimeout: STEP_MS,
    ...(url.searchParams.get('insecure') === '1' ? { tls: { rejectUnauthorized: false } } : {}),
  });
  return async (letter) => {
    try {
      await transport.sendMail({
        from: { name: letter.from ? `${letter.from.name} (Pembit)` : 'Pembit', address: mailFrom },
        ...(letter.from ? { replyTo: { name: letter.from.name, address: letter.from.email } } : {}),
        to: letter.to,
        subject: letter.subject,
        text: letter.text,
        html: letterHtml(letter),
        messageId: `<${letter.id}@pembit>`,
        headers: { 'Auto-Submitted': 'auto-generated', ...endingHeaders(letter, baseUrl) },
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
    } catch (error) {
      const { responseCode = 0, message = String(error) } = error as SmtpError;
      // Only what the server says of the letter or its reader is for good: what is wrong with our own connection may be mended.
      const ofLetter = ['EENVELOPE', 'EMESSAGE'].includes((error as SmtpError).code ?? '');
      const permanent = ofLetter && responseCode >= 500 && responseCode < 600;
      throw permanent ? new PermanentRefusal(message) : error;
    }
  };
}
