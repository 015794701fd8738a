import { momentText } from '../time/zonedWall';
import type { Check, CheckInput, Finding } from './check';
import { dayOfEntry } from './checkedDates';
import { clocksChange } from './clocksChange';
import { dateInText } from './dateInText';
import { dueAtMidnight } from './dueAtMidnight';
import { dueOutsideWindow } from './dueOutsideWindow';
import { duringClass } from './duringClass';
import { endsBeforeStart } from './endsBeforeStart';
import { extendedEarlier } from './extendedEarlier';
import { hiddenSoon } from './hiddenSoon';
import { filesAdded } from './filesAdded';
import { headingOrder } from './headingOrder';
import { linkName } from './linkName';
import { noCaptions } from './noCaptions';
import { outsideCloses } from './outsideCloses';
import { calendarFails } from './calendarFails';
import { courseUnpublished } from './courseUnpublished';
import { outletEmpty } from './outletEmpty';
import { outletLacks } from './outletLacks';
import { outletOver } from './outletOver';
import { sectionsPublic } from './sectionsPublic';
import { linkFails } from './linkFails';
import { linkMoved } from './linkMoved';
import { noPlan } from './noPlan';
import { noSuchClass } from './noSuchClass';
import { onClosure } from './onClosure';
import { onWeekend } from './onWeekend';
import { outsideTerm } from './outsideTerm';
import { overlap } from './overlap';
import { pastMidnight } from './pastMidnight';
import { roomClash } from './roomClash';
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
  extendedEarlier,
  hiddenSoon,
  twoExams,
  severalDue,
  overlap,
  duringClass,
  roomClash,
  wrongCourse,
  sameTitle,
  dateInText,
  clocksChange,
  noPlan,
  noSuchClass,
  linkFails,
  linkMoved,
  linkName,
  headingOrder,
  noCaptions,
  outletEmpty,
  outletLacks,
  filesAdded,
  outletOver,
  sectionsPublic,
  courseUnpublished,
  outsideCloses,
  calendarFails,
];

/** The checks by which something is hard or impossible to read for some people. */
export const ACCESS_CHECKS: ReadonlySet<string> = new Set(
  [linkName, headingOrder, noCaptions].map(({ id }) => id),
);

/** What all checks find from today on, in the order of time: what is over can no longer be put right. */
export function findAll(input: CheckInput): Finding[] {
  const day = ({ about }: Finding) => {
    if ('entry' in about) return momentText(dayOfEntry(about.entry));
    // What has no day is for today.
    return momentText('seen' in about ? about.seen.meeting.date : input.today);
  };
  return CHECKS.flatMap((check) => check.find(input))
    .map((finding) => ({ finding, day: day(finding) }))
    .filter((found) => found.day >= momentText(input.today))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
    .map(({ finding }) => finding);
}
