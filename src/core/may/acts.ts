import type { Role } from './role';

/**
 * Who may do an act. `roles`: what one has to be to every course that it is about. `own`: only to what is one's own, besides.
 * `office`: whoever administers the school may, too.
 */
export type Rule = Readonly<{ roles: readonly Role[]; own?: true; office?: true }>;

const PLAN: Rule = { roles: ['instructor', 'co'] };
/** Holding office hours: an assistant does, where one is among the hosts. */
const HOURS: Rule = { roles: ['instructor', 'co', 'assistant'] };
/** What cannot wait for the instructor's return. */
const CALL_OFF: Rule = { roles: ['instructor', 'co', 'substitute'] };
const CALL_OFF_HOURS: Rule = { roles: ['instructor', 'co', 'assistant', 'substitute'] };
const STUDENT: Rule = { roles: ['student'], own: true };
const OWN: Rule = { roles: [], own: true };
const OFFICE: Rule = { roles: [], office: true };
const STAFF: Rule = { roles: ['instructor'], office: true };

/** Every act that the history knows, and who may do it. */
export const ACTS = {
  // The plan
  planEntry: PLAN, changeEntry: PLAN, changeEntryLine: PLAN, copyEntry: PLAN, moveHangingDate: PLAN, placeEntry: PLAN, cancelEntry: CALL_OFF, deleteEntry: PLAN, shiftEntries: PLAN, actOnSeveral: PLAN,
  planClass: PLAN, clearClass: PLAN, placePlan: PLAN, movePlans: PLAN, slidePlans: PLAN, writeTopics: PLAN, placeUnit: PLAN,
  writeThemes: PLAN, changeMeeting: PLAN, callOffClass: CALL_OFF, changeWeek: PLAN, addSection: PLAN, changeCourse: PLAN,
  addMaterial: PLAN, changeMaterial: PLAN, moveMaterial: PLAN, deleteMaterial: PLAN, importMaterials: PLAN,
  importPackage: PLAN, importCalendar: PLAN, carryOver: PLAN, bringPlan: { roles: ['instructor', 'co'], office: true },
  dismissFinding: PLAN, bringBackFinding: PLAN, spreadWork: PLAN,
  // The frame
  addClosure: { roles: ['instructor', 'co'], office: true }, removeClosure: { roles: ['instructor', 'co'], office: true },
  addTerm: OFFICE, changeTerm: OFFICE, addSiteDate: OFFICE, removeSiteDate: OFFICE, changeSettings: OFFICE,
  addCourse: OFFICE, deleteCourse: STAFF, archiveCourse: STAFF, addPerson: OFFICE, changePerson: OFFICE,
  changeAdministrators: OFFICE, deactivatePerson: OFFICE,
  // Who is in a course
  addStudents: PLAN, importRoster: { roles: ['instructor', 'co'], office: true }, moveStudent: PLAN, writeGroup: PLAN,
  removeGroup: PLAN, openJoining: PLAN, closeJoining: PLAN, joinCourse: STUDENT, acceptPlace: STUDENT, changeStaff: STAFF,
  handOver: STAFF,
  // Office hours
  offerTimes: HOURS, changeSheet: HOURS, deleteSheet: HOURS, retime: HOURS, addSlot: HOURS, changeSlot: HOURS,
  cancelTime: CALL_OFF_HOURS, cancelDays: CALL_OFF_HOURS, takeOverDay: HOURS, bookFor: HOURS, markCame: HOURS,
  writeToThoseWhoCome: CALL_OFF_HOURS, tellChange: CALL_OFF,
  takeTime: STUDENT, giveBack: STUDENT, moveBooking: STUDENT, waitFor: STUDENT, stopWaiting: STUDENT,
  // What is published
  publish: PLAN, changeOutlet: PLAN, replaceAddress: PLAN, deleteOutlet: PLAN, repointOutlets: PLAN,
  addCalendar: { roles: ['instructor', 'co'], office: true }, changeCalendar: { roles: ['instructor', 'co'], office: true },
  removeCalendar: { roles: ['instructor', 'co'], office: true },
  // One's own
  writeNote: OWN, declinePlace: OWN, reply: STUDENT, tickDone: STUDENT, changeOwnSettings: OWN, ownFeed: OWN, makePersonalFeed: OWN,
} as const satisfies Readonly<Record<string, Rule>>; // prettier-ignore
export type Act = keyof typeof ACTS;
