import type { Temporal } from 'temporal-polyfill';
import type { EntryId, MaterialId } from '@/core/ids';
import type { EmbedView } from '@/core/outlets/outlet';
import { suddenClosures } from '@/core/plan/suddenClosures';
import { zoneWords } from '@/core/time/zoneWords';
import { requireZone } from '@/core/time/zoneData';
import { embedTexts } from '@/core/texts/embeds';
import { pageAt } from './embedContext';
import type { EmbedContext } from './embedContext';
import { courseView } from './courseView';
import { dayView, oneDay } from './dayView';
import { daysView } from './daysView';
import type { EmbedViewPage } from './embedView';
import { entryView, oneEntry } from './entryView';
import { filters } from './filters';
import type { Html } from './html';
import { html } from './html';
import type { OpenFiles } from '../openFiles';
import { oneMaterial } from './materialView';
import { monthView } from './monthView';
import { termView } from './termView';
import { timesView } from './timesView';
import { weekView } from './weekView';

/** Every way to show an outlet; another one is a file and a line here. */
const VIEWS: readonly EmbedViewPage[] = [
  daysView,
  weekView,
  monthView,
  termView,
  dayView,
  timesView,
  entryView,
  courseView,
];

export const viewOf = (id: EmbedView): EmbedViewPage => VIEWS.find((view) => view.id === id)!;

const heading = (title: string): Html => html`<h1>${title}</h1>`;
/** What was closed at short notice. */
const sudden = ({ contents, now }: EmbedContext): Html[] =>
  suddenClosures(contents.plan, now, requireZone).map((line) => html`<p role="status"><b>${line}</b></p>`);
/** By which clock its times are, for readers elsewhere. */
const zoneOf = ({ contents }: EmbedContext): string | undefined => {
  const [term] = contents.plan.terms;
  return term && embedTexts.zone({ words: zoneWords(term.tzid) });
};
const back = (context: EmbedContext): Html =>
  html`<p><a class="back" href="${pageAt(context, undefined)}">${embedTexts.back}</a></p>`;

/** A page to read in the view that was chosen, with the clock that it goes by; `above` stands under its heading. */
export const readPage = (context: EmbedContext, above: Html): Html =>
  html`${heading(context.title)} ${above} ${sudden(context)} ${viewOf(context.look.view).page(context)}
    <p class="soft">${zoneOf(context)}</p>`;

/** The outlet's own page, in the view that was chosen for it. `isPublic` says at its foot who can read it. */
export const ownPage = (context: EmbedContext, isPublic: boolean): Html =>
  html`${heading(context.title)} ${sudden(context)} ${filters(context)} ${viewOf(context.look.view).page(context)}
    <p class="soft foot">${zoneOf(context)} ${isPublic ? embedTexts.readable : embedTexts.forRoster}</p>`;

export const dayPage = (context: EmbedContext, date: Temporal.PlainDate): Html =>
  html`${back(context)} ${heading(context.title)}
    ${oneDay(context, date, (day) => `${context.embed}/day/${day.toString()}`)}`;

export function materialPage(context: EmbedContext, open: OpenFiles, id: MaterialId): Html | undefined {
  const material = oneMaterial(context, open, id);
  return material && html`${back(context)} ${heading(context.title)} ${material}`;
}

export function entryPage(context: EmbedContext, id: EntryId): Html | undefined {
  const entry = oneEntry(context, id);
  return entry && html`${back(context)} ${heading(context.title)} ${entry}`;
}
