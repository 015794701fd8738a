import { Temporal } from 'temporal-polyfill';
import type { Link } from '../entries/entry';
import type { CourseId, MaterialId } from '../ids';
import type { MaterialKind } from '../materials/material';
import { addressOf } from '../materials/material';
import { inOrder, outlineOf } from '../materials/outline';
import type { SeenMaterial } from '../materials/seenMaterials';
import { heldBy } from '../materials/outline';
import { dayOf, momentText } from '../time/zonedWall';
import type { Occurrence } from './occurrence';
import { touching } from './occurrenceDays';

/** The parts of a day sheet, in the order in which somebody who was away reads them. */
export const SHEET_PARTS = [
  'closure',
  'outside',
  'class',
  'event',
  'set',
  'due',
  'announcement',
  'booking',
  'times',
  'note',
] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];

const PART_OF: Readonly<Record<Occurrence['kind'], SheetPart>> = {
  closure: 'closure',
  siteDate: 'closure',
  outside: 'outside',
  class: 'class',
  event: 'event',
  set: 'set',
  due: 'due',
  announcement: 'announcement',
  booking: 'booking',
  times: 'times',
  note: 'note',
};

/** Everything of one day, in one course or over all of a viewer's, by part. Parts that are empty are left out. */
export function daySheet(
  occurrences: readonly Occurrence[],
  date: Temporal.PlainDate,
  course?: CourseId,
): readonly Readonly<{ part: SheetPart; items: readonly Occurrence[] }>[] {
  const all = touching(occurrences)(date).filter(
    (o) => (!course || o.courses.includes(course)) && !(o.kind === 'booking' && !o.mine),
  );
  return SHEET_PARTS.map((part) => ({ part, items: all.filter((o) => PART_OF[o.kind] === part) })).filter(
    ({ items }) => items.length > 0,
  );
}

/** The days on which some class takes place before and after a day; absent where there is none. */
export function classDaysAround(
  occurrences: readonly Occurrence[],
  date: Temporal.PlainDate,
  course?: CourseId,
): Readonly<{ previous?: string; next?: string }> {
  const days = occurrences.flatMap((o) =>
    o.kind === 'class' && o.cancelled === undefined && (!course || o.course === course)
      ? [momentText(dayOf(o.start))]
      : [],
  );
  const here = momentText(date);
  const before = days.filter((day) => day < here).sort();
  const after = days.filter((day) => day > here).sort();
  return { previous: before.at(-1), next: after[0] };
}

export type SheetLink = Readonly<{
  url: string;
  label: string;
  kind?: MaterialKind;
  /** What is in a unit, from top to bottom. */
  items: readonly Readonly<{ url: string; label: string; kind: MaterialKind; depth: number }>[];
}>;

/** Links as a day sheet shows them: a unit lists what is in it, as far as the viewer may see it. */
export function sheetLinks(links: readonly Link[], materials: readonly SeenMaterial[]): SheetLink[] {
  const byId = new Map<MaterialId, SeenMaterial>(materials.map((material) => [material.id, material]));
  return links.map(({ url, label, material: id }) => {
    const material = id && byId.get(id);
    if (!material) return { url, label, items: [] };
    const held =
      material.kind === 'unit' ? inOrder(outlineOf(heldBy(materials, material.id) as SeenMaterial[])) : [];
    return {
      url,
      label,
      kind: material.kind,
      items: held.map(({ material: item, depth }) => ({
        url: addressOf(item),
        label: item.title,
        kind: item.kind,
        depth,
      })),
    };
  });
}

const MOST_DAYS = 31;

/** The days of an address: one (`2026-10-13`), or several (`2026-10-12..2026-10-14`), at most a month of them. */
export function sheetDays(text: string): Temporal.PlainDate[] | undefined {
  const [first = '', last = first, ...more] = text.split('..');
  const form = /^(19[7-9]\d|20\d{2})-\d{2}-\d{2}$/;
  if (more.length > 0 || !form.test(first) || !form.test(last)) return undefined;
  try {
    const from = Temporal.PlainDate.from(first, { overflow: 'reject' });
    const to = Temporal.PlainDate.from(last, { overflow: 'reject' });
    const days = from.until(to, { largestUnit: 'days' }).days;
    if (days < 0 || days >= MOST_DAYS) return undefined;
    return Array.from({ length: days + 1 }, (_, i) => from.add({ days: i }));
  } catch {
    return undefined; // such as 30 February
  }
}
