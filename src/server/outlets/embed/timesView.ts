import { overAtMs } from '@/core/plan/occurrenceDays';
import { freeOf } from '@/core/signup/seenSheet';
import { embedTexts } from '@/core/texts/embeds';
import { rangeLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf } from '@/core/time/zonedWall';
import type { EmbedViewPage } from './embedView';
import { html } from './html';
import { dayHeading, tagsOf } from './lines';

/** Sign-up times, taken and free, day by day; they are taken in Pembit, in a tab of its own. */
export const timesView: EmbedViewPage = {
  id: 'times',
  changes: 'minute',
  page: (context) => {
    const nowMs = context.now.epochMilliseconds;
    const days = context.occurrences.flatMap((o) =>
      o.kind === 'times' && overAtMs(o, requireZone(o.tzid)) > nowMs ? [o] : [],
    );
    if (days.length === 0) return html`<p>${embedTexts.noTimes}</p>`;
    return html`${days.map((o) => {
      const zone = requireZone(o.tzid);
      const slots = o.slots.filter((slot) => slot.interval.start.epochMilliseconds > nowMs);
      return html`<section>
        <h2>${dayHeading(context, dayOf(o.start))}</h2>
        <p>${tagsOf(o, context)}<b>${o.title}</b>
          <a href="${context.signUp}" target="_blank" rel="noopener">${embedTexts.takeATime}</a></p>
        <ul class="times">
          ${slots.map((slot) => {
            const free = freeOf(slot) > 0;
            return html`<li class="${free ? 'free' : 'taken'}">${rangeLabel(toWall(zone, slot.interval.start), toWall(zone, slot.interval.end))}
              <span class="soft">${free ? embedTexts.isFree : embedTexts.isTaken}</span></li>`;
          })}
        </ul>
      </section>`;
    })}`;
  },
};
