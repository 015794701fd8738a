import type { MaterialId } from '@/core/ids';
import { addressOf } from '@/core/materials/material';
import { outlineOf } from '@/core/materials/outline';
import { sanitize } from '@/core/richText/sanitize';
import type { OpenFiles } from '../openFiles';
import type { EmbedContext } from './embedContext';
import type { Html } from './html';
import { html } from './html';
import { linkList } from './lines';

/** A unit with what is in it, or a page, as the readers of an outlet see it; undefined where the outlet does not lead there. */
export function oneMaterial(
  context: EmbedContext,
  { pages, materials }: OpenFiles,
  id: MaterialId,
): Html | undefined {
  const material = pages.get(id);
  if (!material) return undefined;
  const held = outlineOf(materials.filter(({ parent }) => parent === id).map((m) => ({ ...m, parent: undefined }))); // prettier-ignore
  const links = held.map(({ material: own }) => ({ url: addressOf(own), label: own.title }));
  return html`<h2 class="range">${material.title}</h2>
    ${material.text ? html`<div class="text">${{ html: sanitize(material.text) }}</div>` : undefined}
    ${linkList(links, context)}`;
}
