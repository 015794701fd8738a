import type { Role } from './role';

/**
 * Who may do an act. `roles`: what one has to be to every course that it is about. `own`: only to what is one's own, besides.
 * `office`: whoever administers the school may, too.
 */
export type Rule = Readonly<{ roles: readonly Role[]; own?: true; office?: true }>;

/** An archived course is not planned any more: of what concerns it these alone are done. */
const IN_ARCHIVE: ReadonlySet<string> = new Set([
  'archiveCourse', 'deleteCourse', 'extendDue', 'arrange', 'hideMaterial', 'deleteMaterial', 'changeStaff', 'handOver', 'moveStudent',
  'replaceAddress', 'deleteOutlet', 'closeJoining', 'tickDone', 'writeNote', 'changeOwnSettings', 'declinePlace', 'tellChange',
  'giveBack', 'cancelTime', 'cancelDays', 'markCame', 'ownFeed', 'makePersonalFeed',
]); // prettier-ignore

const PLAN: Rule = { roles: ['instructor', 'co'] };
/** Holding office hours: an assistant does, where one is among the hosts. */
const HOURS: Rule = { roles: ['instructor', 'co', 'assistant'] };
/** What cannot wait for the instructor's return. */
const CALL_OFF: Rule = { roles: ['instructor', 'co', 'substitute'] };
const CALL_OFF_HOURS: Rule = { roles: ['instructor', 'co', 'assistant', 'substitute'] };
const STUDENT: Rule = { roles: ['student'], own: true };
const OWN: Rule = { roles: [], own: true };
/** The frame of a course: its staff's, and the office's. */
const COURSE: Rule = { roles: ['instructor', 'co'], office: true };
const OFFICE: Rule = { roles: [], office: true };
const STAFF: Rule = { roles: ['instructor'], office: true };

/** Every act that the history knows, and who may do it. */
export const ACTS = {
  // The plan
  planEntry: PLAN, changeEntry: PLAN, extendDue: PLAN, changeEntryLine: PLAN, copyEntry: PLAN, moveHangingDate: PLAN, placeEntry: PLAN, cancelEntry: CALL_OFF, deleteEntry: PLAN, shiftEntries: PLAN, actOnSeveral: PLAN,
  takeSchedule: PLAN, planClass: PLAN, clearClass: PLAN, placePlan: PLAN, movePlans: PLAN, slidePlans: PLAN, writeTopics: PLAN, placeUnit: PLAN,
  writeThemes: PLAN, changeMeeting: PLAN, callOffClass: CALL_OFF, changeWeek: COURSE, addSection: COURSE, changeSection: COURSE, mergeSections: COURSE, changeRooms: COURSE, addClass: COURSE, removeClass: COURSE, changeCourse: COURSE,
  addMaterial: PLAN, changeMaterial: PLAN, hideMaterial: PLAN, moveMaterial: PLAN, deleteMaterial: PLAN, importMaterials: PLAN,
  importPackage: PLAN, importCalendar: PLAN, carryOver: PLAN, bringPlan: { roles: ['instructor', 'co'], office: true },
  dismissFinding: PLAN, bringBackFinding: PLAN, spreadWork: PLAN,
  // The frame
  addClosure: { roles: ['instructor', 'co'], office: true }, removeClosure: { roles: ['instructor', 'co'], office: true },
  addTerm: OFFICE, changeTerm: OFFICE, deleteTerm: OFFICE, addSiteDate: OFFICE, removeSiteDate: OFFICE, changeSettings: OFFICE,
  addCourse: OFFICE, deleteCourse: STAFF, archiveCourse: STAFF, addPerson: OFFICE, bringTable: OFFICE, changePerson: OFFICE,
  changeAdministrators: OFFICE, deactivatePerson: OFFICE,
  // Who is in a course
  arrange: PLAN, addStudents: PLAN, importRoster: { roles: ['instructor', 'co'], office: true }, moveStudent: PLAN, writeGroup: PLAN,
  removeGroup: PLAN, openJoining: PLAN, closeJoining: PLAN, joinCourse: STUDENT, acceptPlace: STUDENT, changeStaff: STAFF,
  handOver: STAFF,
  // Office hours
  offerTimes: HOURS, changeSheet: HOURS, deleteSheet: HOURS, retime: HOURS, addSlot: HOURS, changeSlot: HOURS,
  cancelTime: CALL_OFF_HOURS, cancelDays: CALL_OFF_HOURS, beAway: CALL_OFF_HOURS, takeOverDay: HOURS, bookFor: HOURS, markCame: HOURS,
  writeToThoseWhoCome: CALL_OFF_HOURS, writeToStudents: PLAN, allowQuestions: PLAN, answerQuestion: CALL_OFF_HOURS, tellChange: CALL_OFF,
  askQuestion: { roles: ['student'] },
  takeTime: STUDENT, giveBack: STUDENT, moveBooking: STUDENT, waitFor: STUDENT, stopWaiting: STUDENT,
  // What is published
  publish: PLAN, changeOutlet: PLAN, replaceAddress: PLAN, deleteOutlet: PLAN, repointOutlets: PLAN,
  addCalendar: { roles: ['instructor', 'co'], office: true }, changeCalendar: { roles: ['instructor', 'co'], office: true },
  removeCalendar: { roles: ['instructor', 'co'], office: true },
  // Whom and what one lets read
  makeToken: OWN, endToken: { roles: [], own: true, office: true }, approveWebhook: OFFICE,
  issueGuardian: { roles: [], own: true, office: true }, endGuardian: { roles: [], own: true, office: true }, agreeToGuardian: OWN, barGuardian: OFFICE,
  markMinor: OFFICE,
  // One's own
  beginCourse: STUDENT, withdrawQuestion: OWN, writeNote: OWN, declinePlace: OWN, reply: STUDENT, tickDone: STUDENT, changeOwnSettings: OWN, ownFeed: OWN, makePersonalFeed: OWN,
} as const satisfies Readonly<Record<string, Rule>>; // prettier-ignore
export type Act = keyof typeof ACTS;

/** Whether an act is done in an archived course, too: whoever administers the school changes its frame there as elsewhere. */
export const isDoneInArchive = (act: Act, { asOffice }: Readonly<{ asOffice: boolean }>): boolean => {
  const rule: Rule = ACTS[act];
  return IN_ARCHIVE.has(act) || (asOffice && rule.office === true);
};
