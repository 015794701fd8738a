import type { Temporal } from 'temporal-polyfill';
import { touching } from '@/core/plan/occurrenceDays';
import { embedTexts } from '@/core/texts/embeds';
import { dateLabel, monthLabel } from '@/core/time/dateLabels';
import { weekStartOf } from '@/core/time/term';
import { pageAt } from './embedContext';
import type { EmbedContext } from './embedContext';
import type { EmbedViewPage } from './embedView';
import type { Html } from './html';
import { html } from './html';
import { colorOf, headingOf, pager, tagsOf, whenOf } from './lines';

function cell(
  date: Temporal.PlainDate,
  month: number,
  list: ReturnType<ReturnType<typeof touching>>,
  context: EmbedContext,
): Html {
  const { embed, today, locale } = context;
  const classes = [
    date.month === month ? '' : 'other',
    date.equals(today) ? 'today' : '',
    list.length === 0 ? 'empty' : '',
    list.some((o) => o.kind === 'closure') ? 'closed' : '',
  ];
  return html`<td class="${classes.filter(Boolean).join(' ')}">
    <a class="date" href="${embed}/day/${date.toString()}"><span class="narrow">${dateLabel(date, 'short', locale)}</span><span class="wide" aria-hidden="true">${date.day}</span></a>
    <ul>
      ${list.map((o) => html`<li class="${o.kind} ${colorOf(o, context)}">${whenOf(o) ? html`<span class="when">${whenOf(o)}</span> ` : undefined}${tagsOf(o, context)}${headingOf(o, context)}</li>`)}
    </ul>
  </td>`;
}

/** A month as a table of weeks; in a narrow frame the days stand under one another. */
export const monthView: EmbedViewPage = {
  id: 'month',
  changes: 'day',
  page: (context) => {
    const { asked, today, weekStart, locale } = context;
    const first = (asked.at ?? today).with({ day: 1 });
    const on = touching(context.occurrences);
    const begins = weekStartOf(first, weekStart);
    const after = first.add({ months: 1 });
    const weeks: Temporal.PlainDate[][] = [];
    for (let day = begins; day.until(after).sign > 0; day = day.add({ weeks: 1 }))
      weeks.push([0, 1, 2, 3, 4, 5, 6].map((offset) => day.add({ days: offset })));
    const busy = weeks.flat().some((date) => date.month === first.month && on(date).length > 0);
    return html`<h2 class="range">${monthLabel(first, locale)}</h2>
      ${pager(
        { href: pageAt(context, first.subtract({ months: 1 })), label: embedTexts.monthBefore },
        { href: pageAt(context, after), label: embedTexts.monthAfter },
      )}
      ${busy ? undefined : html`<p>${embedTexts.nothingThatMonth}</p>`}
      <table class="month">
        <thead><tr>${weeks[0]!.map((date) => html`<th scope="col">${dateLabel(date, 'weekday', locale)}</th>`)}</tr></thead>
        <tbody>
          ${weeks.map((week) => html`<tr>${week.map((date) => cell(date, first.month, on(date), context))}</tr>`)}
        </tbody>
      </table>`;
  },
};
