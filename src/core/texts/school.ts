import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';
import { frameHistoryTexts } from './frameHistory';

/** Words of the first run, the school's page and a course's page. */
export const setupTexts = {
  title: 'Set up Pembit',
  lead: 'Nobody has been here yet. Make the administrator’s account, name the school, and give its first term.',
  account: 'Your account',
  name: 'Your name',
  email: 'E-mail address',
  password: 'Password',
  passwordHint: 'At least 12 characters',
  school: 'School',
  schoolName: 'Name of the school',
  firstTerm: 'First term',
  locale: 'How dates are written',
  weekStart: 'A week begins on',
  weekStarts: { 1: 'Monday', 7: 'Sunday', 6: 'Saturday' } as Readonly<Record<number, string>>,
  chooseZone: 'Choose a time zone',
  submit: 'Set up',
  code: 'Code from the server',
  codeHint: 'The server printed it to its log and its terminal when it started',
  wrongCode: 'This is not the code that the server printed when it started. Look into its log.',
} as const;

type TermEffectNumbers = Readonly<{
  classesAdded: number;
  classesLost: number;
  entriesKept: number;
  timesKept: number;
  outside: number;
}>;
type ClosureNumbers = Readonly<
  Record<'meetings' | 'moving' | 'plans' | 'due' | 'taken' | 'free' | 'events', number>
>;
type ContentNumbers = Readonly<{ entries: number; sheets: number; bookings: number; students: number }>;
type TermNumbers = ContentNumbers &
  Readonly<{ courses: number; closures: number; siteDates: number; calendars: number }>;

const courseContents = ({ entries, sheets, bookings, students }: ContentNumbers): string =>
  [
    entries === 1 ? '1 entry' : `${entries} entries`,
    sheets === 1 ? '1 sign-up sheet' : `${sheets} sign-up sheets`,
    bookings === 1 ? '1 taken time' : `${bookings} taken times`,
    `the roster of ${students === 1 ? '1 student' : `${students} students`}`,
  ].join(', ');

export const schoolTexts = {
  title: 'School',
  terms: 'Terms',
  termName: 'Name',
  startsOn: 'First day',
  endsOn: 'Last day',
  zone: 'Time zone',
  termLine: (from: string, to: string, weeks: number, zone: string) =>
    `${from} – ${to} · ${weeks} teaching weeks · ${zone}`,
  settings: 'Name, dates, how long things are kept, signing in',
  saveSettings: 'Save',
  students: 'Students are',
  studentsAre: { adults: 'adults', minors: 'minors', mixed: 'some of each' },
  studentsHint:
    'Where there are minors, what is published for anyone leaves out rooms and names of sections unless they are ticked.',
  secondStepForStaff: 'Ask everybody who teaches or administers for a second step of signing in',
  secondStepHint: 'From then on whoever has none sets one up before anything else, you as well.',
  changeTerm: (name: string) => `Change ${name}`,
  change: 'Change',
  seeEffects: 'See what it changes',
  saveChanges: 'Change the term',
  effects: ({ classesAdded, classesLost, entriesKept, timesKept, outside }: TermEffectNumbers) =>
    [
      classesAdded > 0 ? `${classesAdded} classes are added.` : '',
      classesLost > 0 ? `${classesLost} classes fall away.` : '',
      entriesKept > 0
        ? `${entriesKept} entries and ${timesKept} office-hour times keep what the clock shows; only the zone around them changes.`
        : '',
      outside > 0 ? `${outside} entries lie outside the term.` : '',
    ].filter(Boolean),
  noEffects: 'Nothing that is planned changes.',
  siteDates: 'Dates for everyone',
  noSiteDates: 'Exam days and deadlines that concern the whole school go here. Classes go on.',
  addSiteDate: 'Add a date for everyone',
  saveSiteDate: 'Add it',
  siteDateAt: 'Time',
  siteDateAtHint: 'Empty: all day',
  archived: 'Archived courses',
  isArchived: 'Archived · ',
  letters: 'Letters',
  lettersLead: 'The newest letters that Pembit sends, and what became of them.',
  noLetters: 'No letters yet.',
  letterState: (state: 'queued' | 'sent' | 'failed', attempts: number, error: string | null) =>
    ({
      sent: 'sent',
      queued: attempts === 0 ? 'waiting to be sent' : `waiting after ${attempts} attempts: ${error ?? ''}`,
      failed: `given up after ${attempts} attempts: ${error ?? ''}`,
    })[state],
  sendAnew: 'Send again',
  sendAnewTo: (to: string) => `Send again to ${to}`,
  sendingAnew: (to: string) => `Sending again to ${to}`,
  findPerson: 'Find somebody',
  findPersonHint: 'Name or e-mail address; students as well',
  exportData: 'Export',
  exportDataOf: (name: string) => `Export what is held about ${name}`,
  erase: 'Erase',
  eraseOf: (name: string) => `Erase the data of ${name}`,
  eraseWarning: (name: string) =>
    `This deletes the account of ${name}, all memberships and times, and every trace in the history. It cannot be undone. Export the data first if it may be asked for.`,
  eraseConfirm: 'Type their e-mail address to go on',
  eraseNow: 'Erase for good',
  erased: (name: string) => `The data of ${name} are gone`,
  addTerm: 'Add a term',
  deleteTerm: (name: string) => `Delete ${name}…`,
  termContents: ({ courses, closures, siteDates, calendars, ...inCourses }: TermNumbers) =>
    [
      courses === 0
        ? 'no course'
        : `${courses === 1 ? '1 course' : `${courses} courses`} with ${courseContents(inCourses)}`,
      ...(closures > 0 ? [closures === 1 ? '1 closure' : `${closures} closures`] : []),
      ...(siteDates > 0 ? [siteDates === 1 ? '1 date for everyone' : `${siteDates} dates for everyone`] : []),
      ...(calendars > 0 ? [calendars === 1 ? '1 outside calendar' : `${calendars} outside calendars`] : []),
    ].join(', '),
  saveTerm: 'Add the term',
  closures: 'Closures',
  noClosures: 'No closures yet. Days without classes go here; the classes on them are left out.',
  addClosure: 'Add a closure',
  closureName: 'Name',
  closureTerm: 'Term',
  firstDay: 'First day',
  lastDay: 'Last day',
  lastDayHint: 'Empty: one day',
  closesAt: 'Closes at',
  opensAt: 'Opens at',
  whatCloses: 'On these days',
  closing: { whole: 'no classes', late: 'open later', early: 'close early', online: 'classes are online' },
  cycle: 'Days that rotate',
  cycleHint: 'Their names in order, such as A B, or 1 2 3 4 5 6. Empty: none',
  schoolDays: 'School days',
  weekdays: ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
  onClosure: 'A closed day',
  cycleSkips: 'passes its letter on to the next open day',
  cycleUses: 'uses its letter up',
  givenDate: 'On this date',
  givenDay: 'it is day',
  addGiven: 'Give a date another day',
  remove: 'Remove',
  removeNamed: (name: string) => `Remove ${name}`,
  removed: { closure: frameHistoryTexts.opened, siteDate: frameHistoryTexts.removedDate },
  seeHits: 'See what it hits',
  close: 'Close these days',
  hitsNothing: 'It hits nothing that is planned.',
  hits: ({ meetings, moving, plans, due, taken, free, events }: ClosureNumbers) =>
    [
      meetings > 0 ? (meetings === 1 ? '1 class falls away' : `${meetings} classes fall away`) : '',
      moving > 0
        ? moving === 1
          ? '1 class of a rotating day moves'
          : `${moving} classes of rotating days move`
        : '',
      plans > 0 ? (plans === 1 ? '1 plan loses its class' : `${plans} plans lose their class`) : '',
      due > 0 ? (due === 1 ? '1 piece of work is due then' : `${due} pieces of work are due then`) : '',
      taken > 0 ? (taken === 1 ? '1 time is taken then' : `${taken} times are taken then`) : '',
      free > 0 ? (free === 1 ? '1 time is offered then' : `${free} times are offered then`) : '',
      events > 0 ? (events === 1 ? '1 event begins then' : `${events} events begin then`) : '',
    ]
      .filter(Boolean)
      .join(', '),
  slideLost: 'Slide the plans that lose their class into the next ones, and the later ones along',
  othersWait: 'Plans of other instructors wait, and stand on their pages, until they have a class again.',
  closeTimes: (taken: number) =>
    taken === 0
      ? 'Take the offered times off'
      : `Take the times off: ${taken === 1 ? 'whoever holds one is told' : 'those who hold one are told'} at once`,
  courses: 'Courses',
  noCourses: 'No courses yet. Add the first one below.',
  addCourse: 'Add a course',
  code: 'Code',
  codeHint: 'such as HL 210',
  courseTitle: 'Title',
  tag: 'Tag',
  tagHint: 'Two or three letters',
  color: 'Colour',
  colorFree: 'free',
  colorTaken: (tag: string) => `taken by ${tag}`,
  place: 'Place of its classes',
  credits: 'Credits',
  weeklyHours: 'Hours a week',
  weeklyHoursHint: 'Class included; left empty, what the credits ask for',
  sharesTitles: 'Colleagues who teach the same students read the titles of its work in their load',
  instructor: 'Instructor',
  sections: 'Sections, one a line',
  sectionsHint: 'A: Tue Thu 10-11:50',
  saveCourse: 'Add the course',
  courseLine: (instructor: string, sections: number, classes: number, students: string) =>
    [instructor, sections === 1 ? '1 section' : `${sections} sections`, `${classes} classes`, students]
      .filter(Boolean)
      .join(' · '),
  people: 'People',
  peopleLead: 'Everybody who may teach or administer. Students are added on the page of their course.',
  addPerson: 'Add a person',
  personName: 'Name',
  personEmail: 'E-mail address',
  savePerson: 'Add the person',
  invited: (name: string) => `A letter with a sign-in link is on its way to ${name}.`,
  invite: 'Send a sign-in link',
  inviteAgain: (name: string) => `Send ${name} a sign-in link`,
  neverSignedIn: 'has not signed in yet',
} as const;

export const courseTexts = {
  roster: 'Roster',
  noStudents: 'Nobody is on the roster yet. Paste a list below, one student a line.',
  noSuchDay: (day: string, days: readonly string[]) =>
    days.length === 0
      ? `No days rotate in this term, so there is no day “${day}”.`
      : `There is no day “${day}”: ${days.join(', ')} rotate.`,
  sectionNameTaken: 'The course has a section of this name.',
  outsideTerm: 'The day lies outside the term.',
  closedFor: (name: string) => `Closed then: ${name}.`,
  noSuchClass: 'There is no such class any more.',
  meets: 'When it meets',
  doesNotMeet: 'does not meet',
  changeWeek: 'Change when it meets',
  weekHint:
    'such as Tue Thu 10-11:50; lab Wed 14-17, odd weeks in Shed 2; or Day A 9-10; “by week” plans without meeting. Empty: it does not meet',
  changeRooms: 'Change its rooms',
  saveRooms: 'Change the rooms',
  room: 'Room',
  roomHint: 'Empty: where the classes of the course are',
  untilHint: 'Empty: from then on',
  addClass: 'Add a class on a date',
  saveClass: 'Add the class',
  added: 'added',
  takeAway: 'Take it away',
  takeAwayClass: (number: ClassNumber) => `Take ${entryTexts.classNumber(number)} away`,
  changeSection: 'Name, first and last day',
  saveSectionFacts: 'Save the section',
  ownDaysHint: 'Empty: with the term',
  ownDays: (from: string, to: string) => `from ${from} to ${to}`,
  from: 'From',
  saveWeek: 'Change it from then on',
  restore: 'It takes place after all',
  change: 'Change',
  whatItIs: 'What it is',
  changeClass: (number: ClassNumber) => `Change ${entryTexts.classNumber(number)}`,
  reason: 'Reason (students read it)',
  day: 'Day',
  start: 'Begins',
  end: 'Ends',
  saveMove: 'Move the class',
  saveCancel: 'Cancel the class',
  moved: 'moved',
  addSection: 'Add a section',
  sectionName: 'Name',
  saveSection: 'Add the section',
  pasteTitle: 'Add students',
  pasteLead:
    'One a line: name, e-mail address, section; or as your mail has them: Name <address>. Commas, semicolons or tabs; a first line with the names of the columns, or a line that names a section for those below it, is understood.',
  paste: 'List of students',
  preview: 'Look at it first',
  addStudents: (n: number, wrong: number) =>
    `${n === 1 ? 'Add 1 student' : `Add ${n} students`}${wrong === 0 ? '' : wrong === 1 ? ', leave 1 line out' : `, leave ${wrong} lines out`}`,
  nothingToAdd: 'There is nobody new in this list.',
  report: (added: number, known: number, wrong: number) =>
    [
      `${added} to add`,
      known > 0 ? `${known} on the roster already` : '',
      wrong > 0 ? `${wrong} that cannot be read` : '',
    ]
      .filter(Boolean)
      .join(', '),
  line: (n: number, message: string) => `Line ${n}: ${message}`,
  leave: 'Take off',
  changeCourse: 'Change what it is called, its colour or place',
  saveCourse: 'Save the course',
  meetingLink: 'Meeting link of its classes',
  meetingLinkHint: 'Students and staff see it; public feeds and embeds do not carry it',
  staff: 'Staff',
  coInstructorEmail: 'Their e-mail address',
  sectionOf: 'Section',
  noSection: 'no section',
  chooseFile: 'Or choose a CSV file',
  keep: 'Leave as it is',
  groups: 'Groups',
  noGroups: 'A group gathers some students over all sections: a project team, those who retake an exam.',
  addGroup: 'Add a group',
  groupName: 'Name of the group',
  groupMembers: 'Who is in it',
  saveGroup: 'Save the group',
  removeGroup: (name: string) => `Remove group ${name}`,
  editGroup: (name: string) => `Change group ${name}`,
  joining: 'Joining',
  joiningClosed: 'Students are added by you alone. Open joining to let them put themselves on the roster.',
  joiningOpen: 'Whoever has this address can join the course:',
  openJoining: 'Open joining',
  replaceJoining: 'Replace the address',
  closeJoining: 'Close joining',
  joiningAddress: 'Joining address',
  themes: 'Themes of the weeks',
  themesHint: 'One a line: the first line is week 1. An empty line is a week without a theme.',
  saveThemes: 'Save the themes',
  hits: 'Hit by closures',
  hitsLead: 'Work due and times taken on closed days. Choose for each.',
  moveDue: (when: string) => `Due ${when} instead`,
  cancelTime: 'Cancel this time',
  lostClass: (section: string) => `lost its class in section ${section}`,
  placeOn: (when: string) => `Put it on ${when}`,
  dropPlan: 'Delete the plan',
  keepNote: 'What you leave stays as it is.',
  archive: 'Archive the course',
  archiveLead: 'It stays readable, and out of the way of everyone.',
  archivedLead: 'This course is archived: readable, and out of the way.',
  restoreCourse: 'Restore the course',
  deleteCourse: 'Delete the course…',
  deleteWarning: (what: string) => `This takes away ${what}. Feeds and embeds lose them at once.`,
  contents: courseContents,
  deleteNow: (code: string) => `Delete ${code}`,
} as const;

export const joinTexts = {
  title: (course: string) => `Join ${course}`,
  lead: 'You will see its calendar, its work and its office hours.',
  section: 'Your section',
  choose: 'Choose your section',
  name: 'Your name',
  email: 'Your e-mail address',
  emailHint: 'A letter brings you the link for the first sign-in',
  join: 'Join',
  joinAs: (name: string) => `Join as ${name}`,
  haveAccount: 'I have an account: sign in first',
  closedTitle: 'Nobody can join here any more',
  closed: 'The address was replaced, or joining is closed. Ask your instructor.',
  letterTitle: 'Look into your mail',
  letter:
    'If this address is new to the school, a letter with your sign-in link is on its way. If you have an account already, sign in and open the joining address again.',
} as const;
