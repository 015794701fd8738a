import { safeUri } from '../icalendar/text';

/** What was pasted to join a meeting, with its parts kept apart. */
export type MeetingText = Readonly<{ link: string; number?: string; code?: string; rest: string }>;

/** Words before the number of a meeting, and before its code; common practice, no published source. */
const NUMBER =
  /^(?:meeting|conference|webinar|room|access)?\s*(?:id|number|no\.?|#)\s*[:.]?\s*([\d][\d\s-]{4,20}\d)\s*$/i;
const CODE =
  /^(?:(?:meeting|conference|access|security)\s+)?(?:pass\s?code|password|pin|code)\s*[:.]?\s*(\S{2,40})\s*$/i;

/**
 * Recognises an invitation to a meeting in pasted text of one line or several: its first address is the link; a line that
 * names a number or a code gives those. Undefined where there is no address, or nothing but one.
 */
export function readMeetingText(text: string): MeetingText | undefined {
  const link = /https?:\/\/[^\s<>"')\]]+/i.exec(text)?.[0].replace(/[.,;:]+$/, '');
  if (!link || safeUri(link) === undefined || text.trim() === link) return undefined;
  let number: string | undefined;
  let code: string | undefined;
  const rest: string[] = [];
  for (const raw of text.replace(link, '\n').split(/\r?\n|\t| {3,}/)) {
    const line = raw.trim();
    const found = NUMBER.exec(line)?.[1];
    const word = CODE.exec(line)?.[1];
    if (found) number ??= found.replace(/[\s-]+/g, ' ');
    else if (word) code ??= word;
    else if (/[\p{L}\p{N}]/u.test(line)) rest.push(line);
  }
  return { link, ...(number ? { number } : {}), ...(code ? { code } : {}), rest: rest.join('\n') };
}
