import type { Temporal } from 'temporal-polyfill';
import { webhookTexts as say } from '@/core/texts/webhooks';
import { momentLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import type { Webhook } from '@/core/tokens/webhook';

type Words = Readonly<{ zone: Zone; locale: string; failureWords: (failure: string) => string }>;

export type WebhookLine = Readonly<{
  id: string;
  host: string;
  url: string;
  owner: string;
  of: string;
  state: string;
  mark: 'fine' | 'failing' | 'paused' | 'waiting';
}>;

/** Where an address stands, in words. */
export function webhookLine(hook: Webhook, { zone, locale, failureWords }: Words): WebhookLine {
  const when = (at: Temporal.Instant) => momentLabel(zonedWallAt(zone, at), locale);
  const answer = hook.failure === undefined ? '' : failureWords(hook.failure);
  const told = hook.lastTold ? say.lastTold({ when: when(hook.lastTold) }) : '';
  const line = {
    id: hook.id,
    host: new URL(hook.url).host,
    url: hook.url,
    owner: hook.ownerName,
    of: [hook.lists.map((list) => say.list[list]).join(', '), say.by({ token: hook.tokenName })].join(' · '),
  };
  if (!hook.approved) return { ...line, mark: 'waiting', state: say.waits };
  if (hook.paused) return { ...line, mark: 'paused', state: say.paused({ answer }) };
  if (hook.failure !== undefined && hook.nextTry)
    return { ...line, mark: 'failing', state: say.failing({ answer, when: when(hook.nextTry) }) };
  return { ...line, mark: 'fine', state: told || say.fine };
}
