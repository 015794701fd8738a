import { entryTexts } from '@/core/texts/entries';
import { Temporal } from 'temporal-polyfill';
import { touching } from '@/core/plan/occurrenceDays';
import { embedTexts } from '@/core/texts/embeds';
import { dateLabel } from '@/core/time/dateLabels';
import { pageAt } from './embedContext';
import type { EmbedContext } from './embedContext';
import type { EmbedViewPage } from './embedView';
import type { Html } from './html';
import { html } from './html';
import { lineOf, pager } from './lines';

/** One day as the outlet sees it. `linkTo` says where the days around it are. */
export function oneDay(
  context: EmbedContext,
  date: Temporal.PlainDate,
  linkTo: (date: Temporal.PlainDate) => string,
): Html {
  const list = touching(context.occurrences)(date);
  return html`<h2 class="range">${entryTexts.onDay({ label: dateLabel(date, 'full', context.locale), day: context.contents.plan.dayNames.get(date.toString()) })}</h2>
    ${pager(
      { href: linkTo(date.subtract({ days: 1 })), label: embedTexts.dayBefore },
      { href: linkTo(date.add({ days: 1 })), label: embedTexts.dayAfter },
    )}
    ${
      list.length === 0
        ? html`<p>${embedTexts.nothingThatDay}</p>`
        : html`<ul class="day">
            ${list.map((o) => lineOf(o, context))}
          </ul>`
    }`;
}

/** The sheet of one day: the one that was chosen, or today. */
export const dayView: EmbedViewPage = {
  id: 'day',
  changes: 'day',
  page: (context) => {
    const { asked, look, today } = context;
    const date = asked.at ?? (look.date ? Temporal.PlainDate.from(look.date) : today);
    return oneDay(context, date, (day) => pageAt(context, day));
  },
};
