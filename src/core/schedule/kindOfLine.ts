import { DUE, EVENT, EXAM, NUMBERED_WORK, QUIZ_LAST, WORK, WORK_LAST } from './lineKind';
import type { ScheduleKind } from './scheduleLine';
import type { Role } from './scheduleRows';
import type { Hours } from './takeMoments';

const LONG = 14;

type Signs = Readonly<{
  rest: string;
  title: string;
  closed: boolean;
  role?: Role;
  group?: ScheduleKind;
  hours: Hours;
  lasts: boolean;
  dated: boolean;
  hanging: boolean;
  onClass: boolean;
  known: boolean;
  weekly: boolean;
}>;

/** What a line is, by its words, then by where it stands, then by whether there is a class on its day. */
export function kindOf({
  rest,
  title,
  closed,
  role,
  group,
  hours,
  lasts,
  dated,
  hanging,
  onClass,
  known,
  weekly,
}: Signs): ScheduleKind {
  const words = rest.replace(/\u{E000}+/gu, ' ');
  if (DUE.test(words) || role === 'due') return closed && !DUE.test(words) ? 'closure' : 'due';
  if (closed) return dated || role || weekly ? 'closure' : 'nothing';
  if (group === 'closure') return 'closure';
  if (EXAM.test(title) && group !== 'due')
    return role === 'topic' && onClass && !hours.end ? 'event' : 'event';
  if (hanging || group === 'due') return 'due';
  if (EVENT.test(title) || group === 'event' || role === 'event') return 'event';
  if (WORK.test(title) || QUIZ_LAST.test(title) || (WORK_LAST.test(title) && NUMBERED_WORK.test(title)))
    return 'due';
  if (hours.end || lasts) return 'event';
  if (role === 'topic' || known || onClass) return 'topic';
  if (group === 'topic') return 'topic';
  if (!dated) return title.split(/\s+/).length > LONG ? 'nothing' : 'topic';
  return hours.start ? 'event' : 'topic';
}
