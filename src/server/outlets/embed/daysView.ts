import { overAtMs } from '@/core/plan/occurrenceDays';
import { embedTexts } from '@/core/texts/embeds';
import { requireZone } from '@/core/time/zoneData';
import type { EmbedViewPage } from './embedView';
import { html } from './html';
import { dayLists } from './lines';

/** The coming days: what is not over yet. */
export const daysView: EmbedViewPage = {
  id: 'days',
  changes: 'minute',
  page: (context) => {
    const nowMs = context.now.epochMilliseconds;
    const coming = context.occurrences.filter((o) => overAtMs(o, requireZone(o.tzid)) > nowMs);
    return coming.length === 0 ? html`<p>${embedTexts.nothing}</p>` : dayLists(coming, context);
  },
};
