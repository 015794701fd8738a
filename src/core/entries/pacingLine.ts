import { pacingTexts as say } from '../texts/pacing';
import { dateLabel, momentLabel } from '../time/dateLabels';
import type { AssignmentEntry } from './entry';
import type { Counts, OwnMarks } from './seenBy';

/** What is said of work that is due by own starts: of one's own, of its last day; to staff, how many have begun. */
export function pacingLine(
  { pacing, ownStart, begunCount }: Pick<AssignmentEntry, 'pacing'> & OwnMarks & Counts,
  locale: string,
): string {
  if (!pacing) return '';
  if (ownStart)
    return say.begun(pacing, dateLabel(ownStart.on, 'short', locale), momentLabel(ownStart.last, locale));
  return begunCount === undefined
    ? say.rule(pacing)
    : `${say.rule(pacing)} ${say.begunCount({ n: begunCount })}`;
}
