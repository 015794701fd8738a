import type { Refusal } from '../refusals';

/** What a person is told, and what to do about it. */
export const refusalTexts = {
  timeOver: 'This time has begun. Choose a later one.',
  timeTaken: 'This time was just taken. Choose another one.',
  alreadyYours: 'You have this time already.',
  timesUsedUp: 'You hold as many times as this sheet allows. Give one back to take another.',
  dayUsedUp: 'You hold as many times on this day as the sheet allows. Choose another day.',
  weekUsedUp: 'You hold as many times in this week as the sheet allows. Choose another week.',
  notOpenYet: 'This sheet is not open yet. Come back when it is.',
  sheetClosed: 'This sheet is closed: no more times can be taken.',
  tooLateToTake: 'It is too late to take this time. Choose a later one.',
  tooLateToGiveBack: 'It is too late to give this time back here. Write to your instructor.',
  nothingToWaitFor: 'This time is free. Take it.',
  waitingAlready: 'You are waiting for this time already.',
  nobodyToTell: 'Nobody has a time still to come.',
  linkSpent:
    'This link does not hold any more: it was used, or its 15 minutes are over. Ask for another one.',
  tooManyTimes: 'These are more than 2,000 times. Choose an earlier last day, or longer times.',
  timeBegun: 'This time has begun and can no longer be given back.',
  sharedDevice: 'Others use this device: nothing is shown on it when you are not there.',
  notFound: 'There is nothing at this address, or it is not open to you.',
  notSignedIn: 'Sign in first.',
  wrongSignIn: 'This e-mail address and password do not fit together. Check both and try again.',
  badRequest: 'Some of this could not be read: see the fields that are marked.',
  wrongOrigin: 'This request came from another site and was not carried out.',
  notYours: 'You can plan only in courses that you teach.',
  nothingCalledOff: 'You have no class and no time still to come on these days.',
  nothingToOffer:
    'No time still to come fits into these stretches. Lengthen a stretch, shorten the times or choose a later day.',
  stretchesOverlap: 'Two of the stretches overlap. Change one of them.',
  changedMeanwhile:
    'Someone else has changed this since you opened it. Look at their version, then save again.',
  laterChanges: 'Later changes rest on this one, so it cannot be undone by itself.',
  movedOntoClosure: 'A class was moved by hand to a day that would now be closed.',
  groupInUse: 'Entries or sheets are for this group. Give them another audience first.',
  archived: 'This course is archived. Restore it to change what is in it.',
  coursesRun:
    'This term has courses that are not archived. Archive each of them first: deleting the term takes everything in it away.',
  notArchived: 'Archive the course first. Deleting takes everything in it away.',
  seatsTaken: 'All seats are taken, or kept for those who wait.',
  seatsFree: 'There is a seat for you. Say that you are coming.',
  noMeetingService: 'No meeting service is connected, or it did not answer. Paste a link instead.',
  noQuestions: 'Nobody asks here at present.',
  noJoining: 'Nobody can join at this address any more. Ask your instructor for the present one.',
  tooManyTries: 'This was tried too often. Wait a while, then try again.',
  codeNeeded: 'Type the code that your authenticator shows now.',
  secondStepOwed: 'Your school asks for a second step of signing in. Set it up on your account’s page first.',
  wrongCode: 'This code does not fit. Type the one that is shown now, or a recovery code.',
  databaseAway:
    'The database did not answer just now. What you typed is still here: look whether it was saved, then try again.',
  notSaved:
    'This could not be saved: the server has no room, or may not write. Nothing was changed; what you typed is still here. Tell whoever runs the server.',
  noSchoolSignIn:
    'The school’s sign-in does not answer, or it took too long. Try again, or use your password.',
  notVouchedFor:
    'The school’s sign-in does not lead to an account here. Use the address that is on your roster, or ask your instructor.',
  notOnSites: 'This is done in Pembit itself, not inside a course’s site. Open Pembit in a tab of its own.',
  launchOver: 'This took too long. Load the page of the course’s site again.',
  siteSilent: 'The course’s site did not answer as it should. The server’s log says how.',
  alreadyUndone: 'This has been undone already.',
  toldAlready: 'This has been told already, or somebody said that nobody needs to be told.',
  undoNotYours: 'You may not do by undoing what you may not do now.',
  hangsOn: 'Others have built on it since, so it cannot be undone.',
  needsSuccessor: 'A course is never without an instructor. Say who takes over.',
  lastAdministrator: 'A school is never without an administrator. Make another one first.',
  tooLarge: 'This is larger than what is taken here. Nothing was changed.',
  cursorGone: 'This cursor is not known any more. Read the lists anew, and begin from now.',
  underWay: 'A request of this key has begun, and it is not known how it ended. Look whether it was done.',
  keyReused: 'This key was used for another request.',
  noSuchToken: 'This token is none, was ended, or is over.',
  notInScope: 'This token is not good for that.',
  signInAnew: 'For this, sign in anew: it has to be you who is here just now.',
  busy: 'So many people sign in at this moment that it takes too long. Try again in a few seconds.',
  noRoomForFiles: 'There is no room for this file any more.',
  wrongMethod: 'This address does not answer to that.',
} as const satisfies Record<Refusal, string>;

export const tooOftenText = (seconds: number): string =>
  seconds < 60
    ? 'This was tried too often. Try again in a minute.'
    : `This was tried too often. Try again in ${Math.ceil(seconds / 60)} minutes.`;
