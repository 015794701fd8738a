import { createHash } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId, EntryId } from '@/core/ids';
import type { OutletContents } from '@/core/outlets/outletContents';
import type { Occurrence } from '@/core/plan/occurrences';
import { occurrencesOf, overAtMs, touching } from '@/core/plan/occurrences';
import { freeOf } from '@/core/signup/seenSheet';
import { sanitize } from '@/core/richText/sanitize';
import { embedTexts } from '@/core/texts/embeds';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, momentLabel, rangeLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf, isDay } from '@/core/time/zonedWall';
import { embedStyle } from './embedStyle';
import type { Html } from './html';
import { html } from './html';

/** No script at all, styles by their hash, framed by anyone: the policy of every answer under /embed/. */
export const EMBED_POLICY = [
  "default-src 'none'",
  `style-src 'sha256-${createHash('sha256').update(embedStyle).digest('base64')}'`,
  "base-uri 'none'",
  "form-action 'self'",
  'frame-ancestors *',
].join('; ');

/** `embed` is the path of the outlet's own page, `signUp` the address of Pembit's. */
export type EmbedAddresses = Readonly<{ embed: string; signUp: string }>;

type Context = Readonly<{ contents: OutletContents; addresses: EmbedAddresses }>;

export function embedDocument(title: string, body: Html): string {
  return html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<meta name="robots" content="noindex">
<title>${title}</title>
<style>${{ html: embedStyle }}</style>
</head>
<body><main>
${body}
</main></body>
</html>
`.html;
}

function whenOf(o: Occurrence): string {
  if (isDay(o.start)) return '';
  if (o.kind === 'due') return entryTexts.by(timeLabel(o.start.wall));
  return o.end && !isDay(o.end) ? rangeLabel(o.start.wall, o.end.wall) : timeLabel(o.start.wall);
}

const linkList = (links: readonly { url: string; label: string }[]): Html | undefined =>
  links.length === 0
    ? undefined
    : html`<ul class="links">
        ${links.map((link) => html`<li><a href="${link.url}" target="_blank" rel="noopener">${link.label || link.url}</a></li>`)}
      </ul>`;

function detailOf(o: Occurrence, { addresses, contents }: Context): Html | undefined {
  switch (o.kind) {
    case 'event':
    case 'class': {
      const said = o.cancelled === undefined ? o.place : entryTexts.cancelled(o.cancelled);
      return html`${said ? html`<span class="soft">${said}</span>` : undefined}${linkList(o.links)}`;
    }
    case 'announcement':
      return linkList(o.links);
    case 'note':
      return undefined; // its author's alone: never in an embed
    case 'closure':
      return o.closesAt
        ? html`<span class="soft">${entryTexts.closedFrom(o.title, timeLabel(o.closesAt))}</span>`
        : undefined;
    case 'siteDate':
      return html`<span class="soft">${entryTexts.kind.siteDate}</span>`;
    case 'set':
      return html`<span class="soft">${entryTexts.due(momentLabel(o.due, contents.plan.locale))}</span>${linkList(o.links)}`;
    case 'due': {
      const notes = [
        o.handIn,
        o.setOn && embedTexts.setLine(dateLabel(o.setOn, 'short', contents.plan.locale)),
      ]
        .filter(Boolean)
        .join(' · ');
      return html`${notes ? html`<span class="soft">${notes}</span>` : undefined}${linkList(o.links)}`;
    }
    case 'times': {
      const seats = o.slots.reduce((sum, slot) => sum + slot.seats, 0);
      const free = o.slots.reduce((sum, slot) => sum + freeOf(slot), 0);
      const single = contents.times === 'single' ? o.slots.filter((slot) => freeOf(slot) > 0) : [];
      const zone = requireZone(o.tzid);
      return html`<span class="soft">${embedTexts.free(free, seats)}</span>
        ${single.length > 0 ? html`<ul class="links">${single.map(({ interval }) => html`<li>${rangeLabel(toWall(zone, interval.start), toWall(zone, interval.end))}</li>`)}</ul>` : undefined}
        <a href="${addresses.signUp}" target="_blank" rel="noopener">${embedTexts.takeATime}</a>`;
    }
    case 'booking':
      return undefined; // only in a personal feed, which has no page
    default:
      return o satisfies never;
  }
}

function lineOf(o: Occurrence, context: Context): Html {
  const courses = context.contents.plan.courses.filter((course) => o.courses.includes(course.id));
  const tags = courses.map(
    (c) => html`<span class="tag ${c.color}" title="${c.code} ${c.title}">${c.tag}</span> `,
  );
  const name = o.kind === 'set' ? entryTexts.setTitle(o.title) : o.title;
  const title = o.cancelled === undefined ? html`${name}` : html`<s>${name}</s>`;
  const heading =
    'entry' in o
      ? html`<a class="title" href="${context.addresses.embed}/e/${o.entry}">${title}</a>`
      : html`<span class="title">${title}</span>`;
  return html`<li class="${o.kind} ${courses[0]?.color ?? ''}">
    <span class="when">${whenOf(o)}</span>
    <div>${tags}${heading} ${detailOf(o, context)}</div>
  </li>`;
}

const shownIn = (contents: OutletContents): Occurrence[] =>
  occurrencesOf(contents.plan, requireZone).filter((o) =>
    contents.has(o.kind === 'siteDate' ? 'event' : o.kind),
  );

function dayHeading(contents: OutletContents, date: Temporal.PlainDate): string {
  const term = contents.plan.terms[0];
  const { locale } = contents.plan;
  return term ? weekAndDate(term, date, locale) : dateLabel(date, 'long', locale);
}

function days(list: readonly Occurrence[], context: Context): Html {
  const dates = new Map(list.map((o) => [dayOf(o.start).toString(), dayOf(o.start)]));
  return html`${[...dates].map(
    ([key, date]) =>
      html`<section>
        <h2><a href="${context.addresses.embed}/day/${key}">${dayHeading(context.contents, date)}</a></h2>
        <ul class="day">
          ${list.filter((o) => dayOf(o.start).equals(date)).map((o) => lineOf(o, context))}
        </ul>
      </section>`,
  )}`;
}

/** The coming days of an outlet: what is not over yet, at most `most` lines, with the count of what follows. */
export function comingPage(
  name: string,
  contents: OutletContents,
  addresses: EmbedAddresses,
  nowMs: number,
): Html {
  const context = { contents, addresses };
  const coming = shownIn(contents).filter((o) => overAtMs(o, requireZone(o.tzid)) > nowMs);
  return html`<h1>${name}</h1>
    ${coming.length === 0 ? html`<p>${embedTexts.nothing}</p>` : days(coming, context)}
    <p class="soft">${embedTexts.readable}</p>`;
}

export function dayPage(
  name: string,
  contents: OutletContents,
  addresses: EmbedAddresses,
  { date, course }: { date: Temporal.PlainDate; course?: CourseId },
): Html {
  const list = touching(shownIn(contents))(date).filter((o) => !course || o.courses.includes(course));
  return html`<p><a class="back" href="${addresses.embed}">${embedTexts.back}</a></p>
    <h1>${dateLabel(date, 'full', contents.plan.locale)}</h1>
    <p class="soft">${name}</p>
    ${
      list.length === 0
        ? html`<p>${embedTexts.nothingThatDay}</p>`
        : html`<ul class="day">
            ${list.map((o) => lineOf(o, { contents, addresses }))}
          </ul>`
    }`;
}

/** One entry as the outlet sees it; undefined when the outlet does not. */
export function entryPage(
  contents: OutletContents,
  addresses: EmbedAddresses,
  id: EntryId,
): Html | undefined {
  const list = shownIn(contents).filter((o) => 'entry' in o && o.entry === id);
  const entry = contents.plan.entries.find((e) => e.id === id);
  if (!entry || list.length === 0) return undefined;
  return html`<p><a class="back" href="${addresses.embed}">${embedTexts.back}</a></p>
    <h1>${entry.title}</h1>
    ${days(list, { contents, addresses })}
    ${entry.description ? html`<div class="text">${{ html: sanitize(entry.description) }}</div>` : undefined}`;
}

export const unknownPage = (): string =>
  embedDocument(
    embedTexts.unknownTitle,
    html`<h1>${embedTexts.unknownTitle}</h1>
      <p>${embedTexts.unknown}</p>`,
  );
