import { Temporal } from 'temporal-polyfill';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { refusalTexts } from '@/core/texts/refusals';
import { embedTexts } from '@/core/texts/embeds';
import { requireZone } from '@/core/time/zoneData';
import type { GoneAddress } from '@/data/outlets/outlets';
import type { OutletAnswer, OutletRequest } from './conditional';
import { sentencePage, unknownPage } from './embed/embedDocument';
import { embedHeaders, feedHeaders, plainHeaders } from './headers';

/** How long an address that was replaced says so before it is gone for good. */
const SAYS_SO_MS = 30 * 86_400_000;

/** Answers in the place of a calendar that is not at this address: with a sentence, never an empty box. */
export function goneAnswer(
  { path, method }: OutletRequest,
  hash: string | undefined,
  gone: GoneAddress | undefined,
  nowMs: number,
): OutletAnswer {
  const embed = path.startsWith('/embed/');
  const says = gone && saysOf(gone);
  const still = gone !== undefined && gone.replaced && nowMs < gone.goneAtMs + SAYS_SO_MS;
  if (still && !embed)
    return sent(200, feedHeaders({ name: gone.name, audience: 'public' }), method, replacedFeed(gone, hash!));
  const status = still ? 200 : gone ? 410 : 404;
  return embed
    ? sent(status, embedHeaders(), method, says ? sentencePage(says.title, says.sentence) : unknownPage())
    : sent(status, plainHeaders, method, `${says?.sentence ?? embedTexts.unknownFeed}\n`);
}

/** Whoever asked for very many addresses that are none is asked to wait. */
export const tooManyMisses = ({ method }: OutletRequest): OutletAnswer =>
  sent(429, { ...plainHeaders, 'retry-after': '900' }, method, `${refusalTexts.tooManyTries}\n`);

const saysOf = ({ name, replaced }: GoneAddress) =>
  replaced
    ? { title: embedTexts.replacedTitle, sentence: embedTexts.replaced({ name }) }
    : { title: embedTexts.deletedTitle, sentence: embedTexts.deleted({ name }) };

/** One entry that says so, on the day on which the address was replaced. */
function replacedFeed({ name, goneAtMs }: GoneAddress, hash: string): string {
  const at = Temporal.Instant.fromEpochMilliseconds(goneAtMs);
  return writeCalendar(
    {
      name,
      refreshMinutes: 24 * 60,
      events: [
        {
          uid: `replaced-${hash.slice(0, 32)}`,
          dtstamp: at,
          dtstart: at.toZonedDateTimeISO('UTC').toPlainDate(),
          summary: embedTexts.replacedTitle,
          description: embedTexts.replaced({ name }),
          class: 'PUBLIC',
          transp: 'TRANSPARENT',
          status: 'CONFIRMED',
          sequence: 0,
          created: at,
          lastModified: at,
        },
      ],
    },
    requireZone,
  );
}

export function sent(
  status: number,
  headers: Record<string, string>,
  method: string,
  text: string,
): OutletAnswer {
  const body = Buffer.from(text);
  return {
    status,
    headers: { ...headers, 'content-length': String(body.length) },
    body: method === 'HEAD' ? undefined : body,
  };
}
