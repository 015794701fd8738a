import type { StaffRole } from '../may/role';

/** Words for a course's staff: what each may do, coming and going. */
export const staffTexts = {
  roles: {
    instructor: 'instructor',
    co: 'co-instructor',
    assistant: 'assistant',
    substitute: 'substitute',
  } satisfies Readonly<Record<StaffRole, string>>,
  roleSays: {
    instructor: 'Plans, publishes, and decides who else is on the staff.',
    co: 'Plans and publishes; changes no staff and does not delete the course.',
    assistant: 'Holds office hours of their own and reads the plan; plans nothing.',
    substitute: 'Reads the plan, calls off, writes to students, from the first day to the last.',
  } satisfies Readonly<Record<StaffRole, string>>,
  role: 'What they are here',
  roleOf: (name: string) => `What ${name} is here`,
  chooseRole: 'Choose instructor, co-instructor, assistant or substitute.',
  firstDayMissing: 'Give the first day of the substitute.',
  lastDayMissing: 'Give the last day of the substitute.',
  firstDay: 'First day',
  lastDay: 'Last day',
  sections: 'In sections (none ticked: all)',
  inSections: (names: string) => `section ${names}`,
  days: (from: string, until: string) => `${from} – ${until}`,
  add: 'Add somebody to the staff',
  saveRole: 'Save',
  takeOff: 'Take off',
  takeOffStaff: (name: string) => `Take ${name} off the staff`,
  handOver: 'Hand over',
  handOverOf: (name: string) => `Hand over what ${name} holds`,
  handOverLead: (name: string) =>
    `Sign-up sheets, single times, feeds, embeds and outside calendars of ${name} for this course go to a colleague. ${name} stays on the staff.`,
  handOverTo: 'To',
  saveHandOver: 'Hand over',
  takeOffLead: (name: string) =>
    `What ${name} holds for this course goes to the colleague below; its joining address closes.`,
  successor: 'Who takes over',
  chooseSuccessor: 'Choose who takes over.',
  nobodyElse: 'Nobody else can take over. Add an instructor first.',
  noSuchPerson: 'Nobody at this school has this address. The school’s office adds people.',
  takesCourse: (name: string) => `${name} takes this course.`,
  deactivated: (name: string) => `The account of ${name} is deactivated.`,
  made: (name: string, role: StaffRole) => `${name} is ${staffTexts.roles[role]} now`,
  removed: (name: string) => `Took ${name} off the staff`,
  handedOver: (from: string, to: string) => `Handed over from ${from} to ${to}`,
  soleInstructorOf: (codes: readonly string[]) => `It concerns ${codes.join(', ')}.`,
} as const;
