import { momentText } from '../time/zonedWall';
import type { Check, CheckInput, Finding } from './check';
import { dayOfEntry } from './checkedDates';
import { clocksChange } from './clocksChange';
import { dateInText } from './dateInText';
import { dueAtMidnight } from './dueAtMidnight';
import { dueOutsideWindow } from './dueOutsideWindow';
import { duringClass } from './duringClass';
import { endsBeforeStart } from './endsBeforeStart';
import { hiddenSoon } from './hiddenSoon';
import { linkFails } from './linkFails';
import { linkMoved } from './linkMoved';
import { noPlan } from './noPlan';
import { noSuchClass } from './noSuchClass';
import { onClosure } from './onClosure';
import { onWeekend } from './onWeekend';
import { outsideTerm } from './outsideTerm';
import { overlap } from './overlap';
import { pastMidnight } from './pastMidnight';
import { sameTitle } from './sameTitle';
import { setAfterDue } from './setAfterDue';
import { severalDue } from './severalDue';
import { shownTooLate } from './shownTooLate';
import { twoExams } from './twoExams';
import { wrongCourse } from './wrongCourse';

/** Every check; another one is a file and a line here. */
export const CHECKS: readonly Check[] = [
  dueAtMidnight,
  onClosure,
  onWeekend,
  outsideTerm,
  endsBeforeStart,
  pastMidnight,
  dueOutsideWindow,
  shownTooLate,
  setAfterDue,
  hiddenSoon,
  twoExams,
  severalDue,
  overlap,
  duringClass,
  wrongCourse,
  sameTitle,
  dateInText,
  clocksChange,
  noPlan,
  noSuchClass,
  linkFails,
  linkMoved,
];

/** What all checks find from today on, in the order of time: what is over can no longer be put right. */
export function findAll(input: CheckInput): Finding[] {
  const day = ({ about }: Finding) =>
    momentText('entry' in about ? dayOfEntry(about.entry) : about.seen.meeting.date);
  return CHECKS.flatMap((check) => check.find(input))
    .map((finding) => ({ finding, day: day(finding) }))
    .filter((found) => found.day >= momentText(input.today))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
    .map(({ finding }) => finding);
}
