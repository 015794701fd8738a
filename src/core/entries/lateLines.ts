import { entryTexts } from '../texts/entries';
import { momentLabel } from '../time/dateLabels';
import { momentText } from '../time/zonedWall';
import type { AssignmentEntry } from './entry';

/** What is said of late work and of handing in again: the choices as sentences, then the instructor's own words. */
export function lateLines(
  { due, closes, lateWork, handInAgain, latePolicy }: AssignmentEntry,
  locale: string,
): string[] {
  const until = closes && momentText(closes) > momentText(due) ? momentLabel(closes, locale) : undefined;
  return [
    ...(lateWork ? [entryTexts.lateWork({ choice: lateWork, until })] : []),
    ...(handInAgain === undefined ? [] : [entryTexts.handInAgain({ may: handInAgain })]),
    ...(latePolicy ? [latePolicy] : []),
  ];
}
