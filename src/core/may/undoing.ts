import type { Act } from './acts';
import { ACTS } from './acts';

/**
 * Which act it comes to when one is undone, where that is not the act itself. Who may undo is who may do that now; none:
 * nobody undoes it, since the process, or whoever runs it, did it.
 */
const REVERSE: Readonly<Record<string, readonly Act[]>> = {
  // Staff take a time from a student, or give it back to them, as they do otherwise.
  takeTime: ['giveBack', 'cancelTime'],
  giveBack: ['takeTime', 'bookFor'],
  moveBooking: ['moveBooking', 'bookFor'],
  bookFor: ['cancelTime'],
  cancelTime: ['bookFor'],
  cancelDays: ['bookFor'],
  beAway: ['callOffClass', 'bookFor'],
  waitFor: ['stopWaiting'],
  stopWaiting: ['waitFor'],
  offerTimes: ['deleteSheet'],
  deleteSheet: ['offerTimes'],
  planEntry: ['deleteEntry', 'writeNote'],
  changeEntry: ['changeEntry', 'writeNote'],
  extendDue: ['extendDue'],
  deleteEntry: ['planEntry', 'writeNote'],
  changeEntryLine: ['changeEntryLine', 'writeNote'],
  copyEntry: ['deleteEntry', 'writeNote'],
  moveHangingDate: ['moveHangingDate', 'writeNote'],
  placeEntry: ['placeEntry', 'writeNote'],
  shiftEntries: ['shiftEntries', 'writeNote'],
  actOnSeveral: ['actOnSeveral', 'writeNote'],
  changeMeeting: ['changeMeeting', 'callOffClass'],
  removeClosure: ['addClosure'],
  addClosure: ['removeClosure'],
  openJoining: ['closeJoining'],
  closeJoining: ['openJoining'],
  changeOutlet: ['changeOutlet', 'ownFeed'],
  replaceAddress: ['replaceAddress', 'ownFeed'],
  publish: ['deleteOutlet'],
  deleteOutlet: ['publish', 'ownFeed'],
  // Roles have been given other names since.
  addCoInstructor: ['changeStaff'],
  removeCoInstructor: ['changeStaff'],
  // A student who joined by mistake leaves with the message's own button; a place accepted is given up.
  joinCourse: ['joinCourse', 'moveStudent'],
  setUp: [],
  tidy: [],
  letIn: [],
  passOnOffers: [],
  passOnSeats: [],
  giveRoom: [],
  remind: [],
  joinedByLetter: [],
  arrivedFromSite: [],
};

/** How the history names an act that undid another. */
export const undoOf = (act: string): string => `undo ${act}`;

/** The acts of which one has to be allowed to undo this one; undoing an undoing is the act itself. */
export function reverseOf(act: string): readonly Act[] {
  const undone = /^undo (.+)$/.exec(act)?.[1];
  if (undone !== undefined) return undone in ACTS ? [undone as Act] : reverseOf(undone);
  return REVERSE[act] ?? (act in ACTS ? [act as Act] : []);
}

/** The acts that something done comes to: itself, or, of an undoing, the reverse of what was undone; none: the process did it. */
export function actsIn(name: string): readonly Act[] {
  const undone = /^undo (.+)$/.exec(name)?.[1];
  if (undone !== undefined) return reverseOf(undone);
  return name in ACTS ? [name as Act] : [];
}
