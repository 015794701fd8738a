import { Temporal } from 'temporal-polyfill';
import { addressOf } from '@/core/materials/material';
import type { OutlineNode } from '@/core/materials/outline';
import { outlineOf } from '@/core/materials/outline';
import type { Occurrence } from '@/core/plan/occurrence';
import { overAtMs } from '@/core/plan/occurrenceDays';
import { freeOf } from '@/core/signup/seenSheet';
import { embedTexts } from '@/core/texts/embeds';
import { listed } from '@/core/texts/entries';
import { requireZone } from '@/core/time/zoneData';
import { dayOf } from '@/core/time/zonedWall';
import type { EmbedContext } from './embedContext';
import type { EmbedViewPage } from './embedView';
import type { Html } from './html';
import { html } from './html';
import { dayHeading, dayLists } from './lines';

const DAYS = 14;

const section = (heading: string, body: Html | readonly Html[]): Html =>
  html`<section><h2 class="range">${heading}</h2>${body}</section>`;

const isTimes = (o: Occurrence): o is Occurrence & { kind: 'times' } => o.kind === 'times';

/** Each sheet with its place, its hosts and its next day that has a free time. */
function officeHours(coming: readonly Occurrence[], context: EmbedContext): Html | undefined {
  const { sheets } = context.contents.plan;
  const days = coming.filter(isTimes);
  const lines = sheets.map((sheet) => {
    const free = days.find((o) => o.sheet === sheet.id && o.slots.some((slot) => freeOf(slot) > 0));
    const where = [embedTexts.hosts({ names: listed(sheet.hosts.map(({ name }) => name)) }), sheet.place].filter(Boolean).join(' · ');
    return html`<li><span class="title">${sheet.title}</span> <span class="soft">${where}</span>
      ${free ? dayHeading(context, dayOf(free.start)) : embedTexts.noneFree}
      <a href="${context.signUp}" target="_blank" rel="noopener">${embedTexts.takeATime}</a></li>`;
  });
  return lines.length > 0 ? section(embedTexts.officeHours, html`<ul class="plain">${lines}</ul>`) : undefined;
} // prettier-ignore

/** The outline as a list within lists: what does not open for its readers stands there by its name. */
const outline = (nodes: readonly OutlineNode[], context: EmbedContext): Html =>
  html`<ul class="plain">
    ${nodes.map(({ material, children }) => {
      const url = context.opened(addressOf(material));
      const name = url
        ? html`<a href="${url}" target="_blank" rel="noopener">${material.title}</a>`
        : html`${material.title} ${children.length > 0 ? undefined : html`<span class="soft">${embedTexts.closedLink}</span>`}`;
      return html`<li>${name}${children.length > 0 ? outline(children, context) : undefined}</li>`;
    })}
  </ul>`;

/** The course on one page: whom to write to, office hours, the coming two weeks, its materials. */
export const courseView: EmbedViewPage = {
  id: 'course',
  changes: 'minute',
  page: (context) => {
    const { about, contents, now, today } = context;
    const nowMs = now.epochMilliseconds;
    const last = today.add({ days: DAYS });
    const coming = context.occurrences.filter(
      (o) => overAtMs(o, requireZone(o.tzid)) > nowMs && Temporal.PlainDate.compare(dayOf(o.start), last) < 0,
    );
    const { contacts, materials } = about;
    return html`${
      contacts.length > 0
        ? section(
            embedTexts.contact,
            html`<ul class="plain">
              ${contacts.map(({ name, contact }) => html`<li><b>${name}</b> ${contact}</li>`)}
            </ul>`,
          )
        : undefined
    }
    ${contents.has('times') ? officeHours(coming, context) : undefined}
    ${section(embedTexts.weeks, coming.length === 0 ? html`<p>${embedTexts.nothing}</p>` : dayLists(coming, context))}
    ${materials.length > 0 ? section(embedTexts.materials, outline(outlineOf(materials), context)) : undefined}`;
  },
};
