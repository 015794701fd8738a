import { isWhole } from '@/core/time/closure';
import { closureTitle } from '@/core/plan/closureTitle';
import type { Temporal } from 'temporal-polyfill';
import { titleOf } from '@/core/plan/titleOf';
import type { Occurrence } from '@/core/plan/occurrence';
import { groupBy } from '@/core/groupBy';
import { freeOf } from '@/core/signup/seenSheet';
import { embedTexts } from '@/core/texts/embeds';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, momentLabel, rangeLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf, isDay } from '@/core/time/zonedWall';
import type { EmbedContext } from './embedContext';
import type { Html } from './html';
import { html } from './html';

export function whenOf(o: Occurrence): string {
  if (isDay(o.start)) return '';
  if (o.kind === 'due') return entryTexts.by({ time: timeLabel(o.start.wall) });
  return o.end && !isDay(o.end) ? rangeLabel(o.start.wall, o.end.wall) : timeLabel(o.start.wall);
}

const soft = (text: string): Html | undefined => (text ? html`<span class="soft">${text}</span>` : undefined);

/** Links as the readers of the outlet can follow them; what is closed to them says so. */
export const linkList = (
  links: readonly { url: string; label: string }[],
  { opened }: Pick<EmbedContext, 'opened'>,
): Html | undefined =>
  links.length === 0
    ? undefined
    : html`<ul class="links">
        ${links.map((link) => {
          const url = opened(link.url);
          return url === undefined
            ? html`<li>${link.label} ${soft(embedTexts.closedLink)}</li>`
            : html`<li><a href="${url}" target="_blank" rel="noopener">${link.label || link.url}</a></li>`;
        })}
      </ul>`;

/** A way into a meeting, where the outlet has those; `meetingLink` is empty otherwise. */
const joinLink = (meetingLink: string, name: string, context: EmbedContext): Html | undefined =>
  meetingLink ? linkList([{ url: meetingLink, label: entryTexts.join({ name }) }], context) : undefined;

function detailOf(o: Occurrence, context: EmbedContext): Html | undefined {
  const { contents, signUp, locale } = context;
  switch (o.kind) {
    case 'event':
    case 'class':
      return html`${soft(o.cancelled === undefined ? o.place : entryTexts.cancelled({ reason: o.cancelled }))}${joinLink(o.meetingLink, o.kind === 'event' ? o.meetingName : '', context)}${linkList(o.links, context)}`;
    case 'announcement':
      return linkList(o.links, context);
    case 'note':
    case 'booking':
      return undefined; // somebody's own: never in an embed
    case 'closure':
      return isWhole(o) && !o.sectionNames ? undefined : soft(closureTitle(o.title, o, locale));
    case 'siteDate':
      return soft(entryTexts.kind.siteDate);
    case 'outside':
      return html`${soft([o.calendarName, o.place].filter(Boolean).join(' · '))}${o.url ? linkList([{ url: o.url, label: embedTexts.more }], context) : undefined}`;
    case 'set':
      return html`${soft(entryTexts.due({ when: momentLabel(o.due, locale) }))}${linkList(o.links, context)}`;
    case 'due': {
      const set = o.setOn && embedTexts.setLine({ day: dateLabel(o.setOn, 'short', locale) });
      return html`${soft([o.handIn, set].filter(Boolean).join(' · '))}${linkList(o.links, context)}`;
    }
    case 'times': {
      const seats = o.slots.reduce((sum, slot) => sum + slot.seats, 0);
      const free = o.slots.reduce((sum, slot) => sum + freeOf(slot), 0);
      const single = contents.times === 'single' ? o.slots.filter((slot) => freeOf(slot) > 0) : [];
      const zone = requireZone(o.tzid);
      return html`${soft(embedTexts.free({ free, all: seats }))}
        ${single.length > 0 ? html`<ul class="links">${single.map(({ interval }) => html`<li>${rangeLabel(toWall(zone, interval.start), toWall(zone, interval.end))}</li>`)}</ul>` : undefined}
        <a href="${signUp}" target="_blank" rel="noopener">${embedTexts.takeATime}</a>`;
    }
    default:
      return o satisfies never;
  }
}

export const tagsOf = (o: Occurrence, { contents }: EmbedContext): Html[] =>
  contents.tags && o.kind !== 'outside' && o.kind !== 'closure' && o.kind !== 'siteDate'
    ? contents.plan.courses
        .filter((course) => o.courses.includes(course.id))
        .map((c) => html`<span class="tag ${c.color}" title="${c.code} ${c.title}">${c.tag}</span> `)
    : [];

export const colorOf = (o: Occurrence, { contents }: EmbedContext): string =>
  contents.plan.courses.find((course) => o.courses.includes(course.id))?.color ?? '';

/** The title of a line; an entry's leads to its page in the outlet. */
export function headingOf(o: Occurrence, { embed }: EmbedContext): Html {
  const name = titleOf(o);
  const title = o.cancelled === undefined ? html`${name}` : html`<s>${name}</s>`;
  return 'entry' in o
    ? html`<a class="title" href="${embed}/e/${o.entry}">${title}</a>`
    : html`<span class="title">${title}</span>`;
}

export const lineOf = (o: Occurrence, context: EmbedContext): Html =>
  html`<li class="${o.kind} ${colorOf(o, context)}">
    <span class="when">${whenOf(o)}</span>
    <div>${tagsOf(o, context)}${headingOf(o, context)} ${detailOf(o, context)}</div>
  </li>`;

export const dayHeading = ({ term, locale, contents }: EmbedContext, date: Temporal.PlainDate): string =>
  entryTexts.onDay({
    label: term ? weekAndDate(term, date, locale) : dateLabel(date, 'long', locale),
    day: contents.plan.dayNames.get(date.toString()),
  });

/** Lines by the day on which they begin, each day a heading that leads to its own page. */
export function dayLists(list: readonly Occurrence[], context: EmbedContext): Html {
  const days = [...groupBy(list, (o) => dayOf(o.start).toString()).values()];
  return html`${days.map((lines) => {
    const date = dayOf(lines[0]!.start);
    return html`<section>
      <h2><a href="${context.embed}/day/${date.toString()}">${dayHeading(context, date)}</a></h2>
      <ul class="day">
        ${lines.map((o) => lineOf(o, context))}
      </ul>
    </section>`;
  })}`;
}

/** Links to what lies before and after, as text that says what it is. */
export function pager(
  before: Readonly<{ href: string; label: string }>,
  after: Readonly<{ href: string; label: string }>,
): Html {
  return html`<nav class="pager" aria-label="${embedTexts.paging}">
    <a href="${before.href}" rel="prev">${before.label}</a> <a href="${after.href}" rel="next">${after.label}</a>
  </nav>`;
}
