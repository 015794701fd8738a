import { Temporal } from 'temporal-polyfill';
import { ltiTexts } from '@/core/texts/lti';
import { momentLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import type { CourseSiteLine } from './CourseSites';

type Report = Readonly<{
  added: number;
  off: number;
  absent: number;
  held?: { known: number; gone: number };
  silent?: true;
}>;
type Site = Readonly<{
  id: string;
  title: string;
  site: string;
  section?: string;
  membersUrl?: string;
  follows: boolean;
  readAtMs?: number;
  report?: string;
}>;

const { members } = ltiTexts;

function reportWords({ added, off, absent, held, silent }: Report): string {
  if (silent) return members.silent;
  return held ? members.held({ known: held.known, gone: held.gone }) : members.done({ added, off, absent });
}

/** The sites of a course in words; `nameOf`: how its sections are called. */
export function courseSiteLines(
  sites: readonly Site[],
  { zone, locale, nameOf }: Readonly<{ zone: Zone; locale: string; nameOf: (section: string) => string | undefined }>,
): CourseSiteLine[] {
  return sites.map(({ id, title, site, section, membersUrl, follows, readAtMs, report }) => {
    const read = report === undefined ? undefined : (JSON.parse(report) as Report);
    return {
      id,
      words: ltiTexts.link.line({ title, site, section: section === undefined ? undefined : nameOf(section) }),
      listsMembers: membersUrl !== undefined,
      follows,
      held: read?.held !== undefined,
      ...(read && readAtMs !== undefined
        ? { read: { when: momentLabel(zonedWallAt(zone, Temporal.Instant.fromEpochMilliseconds(readAtMs)), locale), words: reportWords(read) } }
        : {}),
    };
  });
} // prettier-ignore
