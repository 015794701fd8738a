import { entryTexts, listed } from '../texts/entries';
import { groupBy } from '../groupBy';
import { datesText } from './classDates';
import type { SectionDates } from './entry';
import type { SeenEntry } from './seenBy';

/** A state of an entry that only some sections have. */
export type SectionVariant = SeenEntry & Readonly<{ variant?: true }>;

/**
 * An entry as each of its sections has it: once, unless dates that follow a class differ. Those that have the entry's own
 * dates keep its UIDs; the others have UIDs that end in the section's id.
 */
export function perSection(entry: SeenEntry): readonly SectionVariant[] {
  if (entry.kind !== 'assignment' || !entry.sectionDates?.length) return [entry];
  const groups = [...groupBy(entry.sectionDates, datesText).values()];
  return groups.map((group) => variantOf(entry, group, groups.length > 1));
}

function variantOf(
  entry: Extract<SeenEntry, { kind: 'assignment' }>,
  sections: readonly SectionDates[],
  several: boolean,
): SectionVariant {
  const [{ section, setOn, opens, due, closes }] = sections as [SectionDates];
  const own = datesText(entry) === datesText({ setOn, opens, due, closes });
  const suffix = own ? '' : `-${section}`;
  return {
    ...entry,
    ...(own ? {} : { variant: true }),
    uid: entry.uid + suffix,
    setUid: entry.setUid + suffix,
    title: several
      ? entryTexts.forSections({ title: entry.title, names: listed(sections.map((s) => s.name)) })
      : entry.title,
    setOn,
    opens,
    due,
    closes,
    sectionDates: undefined,
  };
}
