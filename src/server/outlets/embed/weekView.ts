import { touching } from '@/core/plan/occurrenceDays';
import { embedTexts } from '@/core/texts/embeds';
import { dateLabel } from '@/core/time/dateLabels';
import { weekNumber, weekStartOf } from '@/core/time/term';
import { pageAt } from './embedContext';
import type { EmbedViewPage } from './embedView';
import { html } from './html';
import { dayHeading, lineOf, pager } from './lines';

/** One week, day by day. */
export const weekView: EmbedViewPage = {
  id: 'week',
  changes: 'day',
  page: (context) => {
    const { asked, today, weekStart, locale, term } = context;
    const first = weekStartOf(asked.at ?? today, weekStart);
    const on = touching(context.occurrences);
    const days = [0, 1, 2, 3, 4, 5, 6].map((offset) => first.add({ days: offset }));
    const busy = days.map((date) => ({ date, list: on(date) })).filter(({ list }) => list.length > 0);
    const range = `${dateLabel(first, 'dayMonth', locale)} – ${dateLabel(days[6]!, 'dayMonth', locale)}`;
    const week = term && weekNumber(term, days[3]!);
    return html`<h2 class="range">${week ? embedTexts.week({ n: week, range }) : range}</h2>
      ${pager(
        { href: pageAt(context, first.subtract({ weeks: 1 })), label: embedTexts.weekBefore },
        { href: pageAt(context, first.add({ weeks: 1 })), label: embedTexts.weekAfter },
      )}
      ${busy.length === 0 ? html`<p>${embedTexts.nothingThatWeek}</p>` : undefined}
      ${busy.map(
        ({ date, list }) =>
          html`<section${{ html: date.equals(today) ? ' class="today"' : '' }}>
            <h2><a href="${context.embed}/day/${date.toString()}">${dayHeading(context, date)}</a></h2>
            <ul class="day">
              ${list.map((o) => lineOf(o, context))}
            </ul>
          </section>`,
      )}`;
  },
};
