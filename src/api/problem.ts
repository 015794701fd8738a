import type { Refusal, Refused } from '@/core/refusals';
import { sharedMetrics } from '@/server/pembit';
import { refusalTexts, tooOftenText } from '@/core/texts/refusals';

export const STATUS = {
  timeOver: 409,
  timeTaken: 409,
  alreadyYours: 409,
  timesUsedUp: 409,
  timeBegun: 409,
  dayUsedUp: 409,
  weekUsedUp: 409,
  notOpenYet: 409,
  sheetClosed: 409,
  tooLateToTake: 409,
  tooLateToGiveBack: 409,
  nothingToWaitFor: 409,
  waitingAlready: 409,
  nobodyToTell: 409,
  linkSpent: 410,
  tooManyTimes: 422,
  sharedDevice: 409,
  notFound: 404,
  notSignedIn: 401,
  noSuchToken: 401,
  underWay: 409,
  cursorGone: 410,
  keyReused: 422,
  notInScope: 403,
  wrongSignIn: 401,
  badRequest: 400,
  wrongOrigin: 403,
  notYours: 403,
  nothingToOffer: 422,
  nothingCalledOff: 422,
  stretchesOverlap: 422,
  changedMeanwhile: 412,
  laterChanges: 409,
  alreadyUndone: 409,
  toldAlready: 409,
  movedOntoClosure: 409,
  groupInUse: 409,
  archived: 409,
  notArchived: 409,
  coursesRun: 409,
  undoNotYours: 403,
  hangsOn: 409,
  needsSuccessor: 409,
  lastAdministrator: 409,
  tooLarge: 413,
  busy: 503,
  signInAnew: 403,
  noRoomForFiles: 507,
  wrongMethod: 405,
  noQuestions: 409,
  noJoining: 404,
  seatsTaken: 409,
  seatsFree: 409,
  noMeetingService: 503,
  tooManyTries: 429,
  codeNeeded: 401,
  wrongCode: 401,
  secondStepOwed: 403,
  notSaved: 507,
  databaseAway: 503,
  noSchoolSignIn: 503,
  notVouchedFor: 403,
  notOnSites: 403,
  launchOver: 410,
  siteSilent: 502,
} as const satisfies Record<Refusal, number>;

export const PROBLEM_URN = 'urn:pembit:problem:';

function bodyOf(
  reason: Refusal,
  { fields = [], detail, seconds }: Pick<Refused, 'fields' | 'detail' | 'seconds'> = {},
) {
  return {
    type: `${PROBLEM_URN}${reason}`,
    title: reason === 'tooManyTries' && seconds !== undefined ? tooOftenText(seconds) : refusalTexts[reason],
    status: STATUS[reason],
    ...(detail === undefined ? {} : { detail }),
    ...(fields.length > 0 ? { errors: fields } : {}),
  };
}

const PROBLEM_TYPE = 'application/problem+json; charset=utf-8';

/** The same as text, for whoever answers by itself. */
export const problemBody = (reason: Refusal): Readonly<{ text: string; type: string }> => ({
  text: JSON.stringify(bodyOf(reason)),
  type: PROBLEM_TYPE,
});

/** What a token lacks, by RFC 6750, section 3.1. */
const CHALLENGES: Partial<Record<Refusal, string>> = {
  noSuchToken: 'Bearer error="invalid_token"',
  notInScope: 'Bearer error="insufficient_scope"',
};

/**
 * A refusal as RFC 9457 problem details; `errors` names the fields, each with a sentence. `seconds` says when to try again
 * (RFC 9110, Retry-After).
 */
export function problem(
  reason: Refusal,
  more: Pick<Refused, 'fields' | 'detail' | 'seconds'> = {},
): Response {
  const body = bodyOf(reason, more);
  const { seconds } = more;
  sharedMetrics()?.refusals.inc({ reason });
  return new Response(JSON.stringify(body), {
    status: body.status,
    headers: {
      'content-type': PROBLEM_TYPE,
      'cache-control': 'no-store',
      ...(seconds === undefined ? {} : { 'retry-after': String(seconds) }),
      ...(CHALLENGES[reason] ? { 'www-authenticate': CHALLENGES[reason] } : {}),
    },
  });
}
