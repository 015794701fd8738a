import { embedTexts } from '@/core/texts/embeds';
import { publishTexts } from '@/core/texts/publish';
import { OUTLET_KINDS } from '@/core/outlets/outlet';
import type { EmbedContext } from './embedContext';
import type { Html } from './html';
import { html } from './html';

const option = (name: string, value: string, label: string, chosen: boolean): Html =>
  html`<label><input type="checkbox" name="${name}" value="${value}"${{ html: chosen ? ' checked' : '' }}> ${label}</label> `;

/** A form with which a reader chooses courses and kinds; it works without script, and only where there is a choice. */
export function filters({ look, contents, asked, embed, sections }: EmbedContext): Html | undefined {
  const { courses } = contents.plan;
  const kinds = OUTLET_KINDS.filter((kind) => contents.has(kind));
  if (!look.filters || (courses.length < 2 && kinds.length < 2 && sections.length < 2)) return undefined;
  const on = asked.courses.size > 0 || asked.kinds.size > 0 || asked.sections.size > 0;
  return html`<details class="filters"${{ html: on ? ' open' : '' }}>
    <summary>${embedTexts.choose}</summary>
    <form action="${embed}" method="get">
      ${asked.at ? html`<input type="hidden" name="at" value="${asked.at.toString()}">` : undefined}
      ${courses.length < 2 ? undefined : html`<fieldset><legend>${embedTexts.courses}</legend>${courses.map((course) => option('course', course.code, `${course.tag} ${course.title}`, asked.courses.has(course.code)))}</fieldset>`}
      ${kinds.length < 2 ? undefined : html`<fieldset><legend>${embedTexts.kinds}</legend>${kinds.map((kind) => option('kind', kind, publishTexts.kindNames[kind], asked.kinds.has(kind)))}</fieldset>`}
      ${sections.length < 2 ? undefined : html`<fieldset><legend>${embedTexts.sections}</legend>${sections.map(({ id, label }) => option('section', id, label, asked.sections.has(id)))}</fieldset>`}
      <button>${embedTexts.show}</button>
      ${on ? html`<a href="${embed}">${embedTexts.showAll}</a>` : undefined}
    </form>
  </details>`;
}
