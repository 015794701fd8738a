import type { BookingRefusal } from './signup/decideBooking';

/** Every reason for which Pembit says no. What is not there and what is not yours are the same answer. */
export type Refusal =
  | BookingRefusal
  | 'notFound'
  | 'sharedDevice'
  | 'notSignedIn'
  | 'noSuchToken'
  | 'underWay'
  | 'cursorGone'
  | 'keyReused'
  | 'notInScope'
  | 'wrongSignIn'
  | 'badRequest'
  | 'wrongOrigin'
  | 'notYours'
  | 'nothingToOffer'
  | 'nothingCalledOff'
  | 'stretchesOverlap'
  | 'changedMeanwhile'
  | 'laterChanges'
  | 'alreadyUndone'
  | 'toldAlready'
  | 'undoNotYours'
  | 'hangsOn'
  | 'needsSuccessor'
  | 'lastAdministrator'
  | 'tooLarge'
  | 'busy'
  | 'signInAnew'
  | 'noRoomForFiles'
  | 'wrongMethod'
  | 'timeBegun'
  | 'movedOntoClosure'
  | 'groupInUse'
  | 'archived'
  | 'notArchived'
  | 'coursesRun'
  | 'noQuestions'
  | 'noJoining'
  | 'seatsTaken'
  | 'seatsFree'
  | 'noMeetingService'
  | 'tooLateToGiveBack'
  | 'nothingToWaitFor'
  | 'waitingAlready'
  | 'nobodyToTell'
  | 'linkSpent'
  | 'tooManyTimes'
  | 'tooManyTries'
  | 'codeNeeded'
  | 'wrongCode'
  | 'secondStepOwed'
  | 'notSaved'
  | 'databaseAway'
  | 'noSchoolSignIn'
  | 'notVouchedFor'
  | 'notOnSites'
  | 'launchOver'
  | 'siteSilent';

export type Refused = Readonly<{
  ok: false;
  reason: Refusal;
  fields?: readonly FieldError[];
  /** What exactly stands in the way, as a sentence (RFC 9457). */
  detail?: string;
  /** After how many seconds it may be tried again, where that is known. */
  seconds?: number;
}>;
export type Done<T> = Readonly<{ ok: true; value: T; history?: string }>;
/** The answer of a use case: its value and the history id that undoes it, or the reason why not. */
export type Outcome<T> = Done<T> | Refused;

/** What is wrong with one field of what was sent; `field` is a path such as `links.0.url`. */
export type FieldError = Readonly<{ field: string; message: string }>;

export const refused = (reason: Refusal, fields?: readonly FieldError[]): Refused => ({
  ok: false,
  reason,
  fields,
});
export const refusedBecause = (reason: Refusal, detail: string): Refused => ({ ok: false, reason, detail });
export const tooOften = (seconds: number): Refused => ({ ok: false, reason: 'tooManyTries', seconds });
export const done = <T>(value: T, history?: string): Done<T> => ({ ok: true, value, history });
