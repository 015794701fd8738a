import { linksInText } from '@/core/links/usedLinks';
import type { LinkState, LinkTest } from '@/core/links/linkTest';
import type { MaterialKind } from '@/core/materials/material';
import { addressOf } from '@/core/materials/material';
import { inOrder, outlineOf } from '@/core/materials/outline';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import type { MaterialUse } from '@/core/materials/usedMaterials';
import { sanitize } from '@/core/richText/sanitize';
import { linkTexts } from '@/core/texts/links';
import { materialTexts } from '@/core/texts/materials';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import { momentText } from '@/core/time/zonedWall';
import { Temporal } from 'temporal-polyfill';

/** What only the staff of a course learns of its materials. */
export type StaffFacts = Readonly<{
  uses: readonly Readonly<{ words: string; title: string; href: string }>[];
  /** When something last began to lead to it; 0: never. */
  recency: number;
  link?: Readonly<{ state: LinkState; words: string; why: string }>;
}>;

/** One line of an outline, as plain text. */
export type OutlineRow = Readonly<{
  id: string;
  parent?: string;
  /** The title of the unit it lies in. */
  unit: string;
  depth: number;
  kind: MaterialKind;
  kindLabel: string;
  title: string;
  /** Where a click leads: to the thing itself, or to its page here. */
  href: string;
  /** Opens beside the page: an address of the web, or a file. */
  outside: boolean;
  url: string;
  file?: string;
  text: string;
  visibleFrom: string;
  /** For staff: that students do not see it yet, or from when. */
  note: string;
  staff?: StaffFacts;
}>;

type Known = Readonly<{
  uses: ReadonlyMap<string, MaterialUse>;
  tests: ReadonlyMap<string, LinkTest>;
  codeOf: (course: string) => string;
}>;

function factsOf(material: SeenMaterial, locale: string, { uses, tests, codeOf }: Known): StaffFacts {
  const use = uses.get(material.id);
  const addresses = [material.url, ...linksInText(material.text)].filter(Boolean);
  const found = addresses.flatMap((url) => tests.get(url) ?? []);
  // The worst is what somebody has to know.
  const [worst] = [...found].sort((a, b) => WORST.indexOf(a.state) - WORST.indexOf(b.state));
  return {
    uses: (use?.uses ?? []).map(({ day, title, course }) => ({
      words: dateLabel(Temporal.PlainDate.from(day), 'short', locale),
      title,
      href: `/day/${day}?course=${encodeURIComponent(codeOf(course))}`,
    })),
    recency: use?.recency ?? 0,
    ...(worst
      ? { link: { state: worst.state, words: linkTexts.states[worst.state], why: linkTexts.why(worst) } }
      : {}),
  };
}

const WORST: readonly LinkState[] = ['fails', 'moved', 'slow', 'signIn', 'opens'];

/** The outline from top to bottom; `known` adds what its staff learns. */
export function outlineView(materials: readonly SeenMaterial[], locale: string, known?: Known): OutlineRow[] {
  const titles = new Map(materials.map((material) => [material.id, material.title]));
  return inOrder(outlineOf(materials)).map(({ material, depth }) => ({
    id: material.id,
    parent: material.parent,
    unit: (material.parent && titles.get(material.parent)) ?? '',
    depth,
    kind: material.kind,
    kindLabel: materialTexts.kinds[material.kind],
    title: material.title,
    href: addressOf(material),
    outside: material.file !== undefined || material.url !== '',
    url: material.url,
    file: material.file,
    text: sanitize(material.text),
    visibleFrom: material.visibleFrom ? momentText(material.visibleFrom.wall) : '',
    note: !material.hidden
      ? ''
      : material.visibleFrom
        ? materialTexts.seenFrom({ when: momentLabel(material.visibleFrom.wall, locale) })
        : materialTexts.notYet,
    ...(known ? { staff: factsOf(material, locale, known) } : {}),
  }));
}
