import { touching } from '@/core/plan/occurrenceDays';
import { embedTexts } from '@/core/texts/embeds';
import { dateLabel } from '@/core/time/dateLabels';
import { teachingWeeks } from '@/core/time/term';
import { dayOf } from '@/core/time/zonedWall';
import type { EmbedViewPage } from './embedView';
import { html } from './html';
import { colorOf, headingOf, tagsOf, whenOf } from './lines';

/** The whole term, a part for each teaching week, a line for each thing. */
export const termView: EmbedViewPage = {
  id: 'term',
  changes: 'day',
  page: (context) => {
    const { term, today, locale, contents } = context;
    if (!term) return html`<p>${embedTexts.nothing}</p>`;
    const on = touching(context.occurrences);
    const { courses } = contents.plan;
    const weeks = teachingWeeks(term).map(({ number, first }) => ({
      number,
      first,
      last: first.add({ days: 6 }),
      themes: courses.flatMap((course) => {
        const theme = course.themes.get(number);
        return theme ? [courses.length > 1 ? `${course.tag} ${theme}` : theme] : [];
      }),
    }));
    const isNow = (first: typeof today, last: typeof today) =>
      first.until(today).sign >= 0 && today.until(last).sign >= 0;
    return html`${weeks.map(
      ({ number, first, last, themes }) =>
        html`<section class="week${isNow(first, last) ? ' today' : ''}">
          <h2>${embedTexts.week({ n: number, range: `${dateLabel(first, 'dayMonth', locale)} – ${dateLabel(last, 'dayMonth', locale)}` })}
            ${themes.length > 0 ? html`<span class="soft">${themes.join(' · ')}</span>` : undefined}</h2>
          <ul class="day">
            ${on(first, last).map(
              (o) =>
                html`<li class="${o.kind} ${colorOf(o, context)}">
                  <span class="when"><a href="${context.embed}/day/${dayOf(o.start).toString()}">${dateLabel(dayOf(o.start), 'short', locale)}</a></span>
                  <div>${tagsOf(o, context)}${headingOf(o, context)} ${whenOf(o) ? html`<span class="soft">${whenOf(o)}</span>` : undefined}</div>
                </li>`,
            )}
          </ul>
        </section>`,
    )}`;
  },
};
