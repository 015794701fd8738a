import type { SeenMaterial } from '@/core/materials/seenMaterials';
import { inOrder, outlineOf } from '@/core/materials/outline';
import type { MaterialKind } from '@/core/materials/material';
import { addressOf } from '@/core/materials/material';
import { sanitize } from '@/core/richText/sanitize';
import { materialTexts } from '@/core/texts/materials';
import { momentLabel } from '@/core/time/dateLabels';
import { momentText } from '@/core/time/zonedWall';

/** One line of an outline, as plain text. */
export type OutlineRow = Readonly<{
  id: string;
  parent?: string;
  depth: number;
  kind: MaterialKind;
  kindLabel: string;
  title: string;
  /** Where a click leads: to the thing itself, or to its page here. */
  href: string;
  outside: boolean;
  url: string;
  text: string;
  visibleFrom: string;
  /** For staff: that students do not see it yet, or from when. */
  note: string;
}>;

/** An outline from top to bottom, each line with its depth. */
export function outlineView(materials: readonly SeenMaterial[], locale: string): OutlineRow[] {
  return inOrder(outlineOf(materials)).map(({ material, depth }) => ({
    id: material.id,
    parent: material.parent,
    depth,
    kind: material.kind,
    kindLabel: materialTexts.kinds[material.kind],
    title: material.title,
    href: addressOf(material),
    outside: material.kind !== 'unit' && material.kind !== 'page',
    url: material.url,
    text: sanitize(material.text),
    visibleFrom: material.visibleFrom ? momentText(material.visibleFrom.wall) : '',
    note: !material.hidden
      ? ''
      : material.visibleFrom
        ? materialTexts.seenFrom(momentLabel(material.visibleFrom.wall, locale))
        : materialTexts.notYet,
  }));
}
