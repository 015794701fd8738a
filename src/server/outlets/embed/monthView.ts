import { Temporal } from 'temporal-polyfill';
import type { LastingLine } from '@/core/plan/lastingLines';
import { lanesOf, lastingLines } from '@/core/plan/lastingLines';
import type { Occurrence } from '@/core/plan/occurrence';
import { titleOf } from '@/core/plan/titleOf';
import { listed } from '@/core/texts/entries';
import { termTexts } from '@/core/texts/term';
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

/** How many lines lie at the head of a week. */
const LANES = 3;

/** A line across the days that something lasts; in a narrow frame it stands in its first day. */
function bar(
  { occurrence: o, lane, from, to, begins, ends, last }: LastingLine,
  context: EmbedContext,
): Html {
  const until = termTexts.lastsUntil({
    day: dateLabel(Temporal.PlainDate.from(last), 'short', context.locale),
  });
  const classes = ['bar', `lane-${lane}`, `reach-${to - from + 1}`, colorOf(o, context), begins ? 'begins' : '', ends ? 'ends' : '']; // prettier-ignore
  return html`<div class="${classes.filter(Boolean).join(' ')}">${tagsOf(o, context)}${headingOf(o, context)} <span class="until">${until}</span></div>`;
}

function cell(
  date: Temporal.PlainDate,
  month: number,
  {
    here,
    lines,
    column,
  }: Readonly<{ here: readonly Occurrence[]; lines: readonly LastingLine[]; column: number }>,
  context: EmbedContext,
): Html {
  const { embed, today, locale } = context;
  const drawn = new Set(lines.map(({ occurrence }) => occurrence));
  const list = here.filter((o) => !drawn.has(o));
  const bars = lines.filter(({ from }) => from === column);
  const during = lines.filter(({ from, to }) => from < column && to >= column);
  const classes = [
    date.month === month ? '' : 'other',
    date.equals(today) ? 'today' : '',
    list.length + bars.length === 0 ? 'empty' : '',
    list.some((o) => o.kind === 'closure' && !o.sectionNames) ? 'closed' : '',
  ];
  return html`<td class="${classes.filter(Boolean).join(' ')}">
    <a class="date" href="${embed}/day/${date.toString()}"><span class="narrow">${dateLabel(date, 'short', locale)}</span><span class="wide" aria-hidden="true">${date.day}</span></a>
    ${bars.map((line) => bar(line, context))}
    ${during.length > 0 ? html`<span class="unseen">${termTexts.during({ titles: listed(during.map(({ occurrence }) => titleOf(occurrence))) })}</span>` : undefined}
    <ul>
      ${list.map((o) => html`<li class="${o.kind} ${colorOf(o, context)}">${whenOf(o) ? html`<span class="when">${whenOf(o)}</span> ` : undefined}${tagsOf(o, context)}${headingOf(o, context)}</li>`)}
    </ul>
  </td>`;
}

function weekRow(dates: readonly Temporal.PlainDate[], month: number, context: EmbedContext, on: ReturnType<typeof touching>, lasting: ReturnType<typeof lastingLines>): Html {
  const lines = lasting(dates.map((date) => ({ first: date.toString(), last: date.toString() })), LANES);
  return html`<tr class="lanes-${lanesOf(lines)}">${dates.map((date, column) => cell(date, month, { here: on(date), lines, column }, context))}</tr>`;
} // prettier-ignore

/** A month as a table of weeks; in a narrow frame the days stand under one another. */
export const monthView: EmbedViewPage = {
  id: 'month',
  changes: 'day',
  page: (context) => {
    const { asked, today, weekStart, locale } = context;
    const first = (asked.at ?? today).with({ day: 1 });
    const on = touching(context.occurrences);
    const lasting = lastingLines(context.occurrences);
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
          ${weeks.map((week) => weekRow(week, first.month, context, on, lasting))}
        </tbody>
      </table>`;
  },
};
