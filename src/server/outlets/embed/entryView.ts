import type { EntryId } from '@/core/ids';
import { sanitize } from '@/core/richText/sanitize';
import { embedTexts } from '@/core/texts/embeds';
import type { EmbedContext } from './embedContext';
import type { EmbedViewPage } from './embedView';
import type { Html } from './html';
import { html } from './html';
import { dayLists } from './lines';

/** One entry as the outlet sees it; undefined when the outlet does not. */
export function oneEntry(context: EmbedContext, id: EntryId): Html | undefined {
  const list = context.occurrences.filter((o) => 'entry' in o && o.entry === id);
  const entry = context.contents.plan.entries.find((e) => e.id === id);
  if (!entry || list.length === 0) return undefined;
  return html`<h2 class="range">${entry.title}</h2>
    ${dayLists(list, context)}
    ${entry.description ? html`<div class="text">${{ html: sanitize(entry.description) }}</div>` : undefined}`;
}

/** A single entry: the one that was chosen. */
export const entryView: EmbedViewPage = {
  id: 'entry',
  changes: 'day',
  page: (context) => {
    const { entry } = context.look;
    return (entry && oneEntry(context, entry)) ?? html`<p>${embedTexts.entryGone}</p>`;
  },
};
