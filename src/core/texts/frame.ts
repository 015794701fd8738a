/** Words of the frame around every page, of signing in, and of what any control may say. */
export const frameTexts = {
  product: 'Pembit',
  nav: {
    term: 'Term',
    week: 'Week',
    everything: 'Everything',
    officeHours: 'Office hours',
    publish: 'Publish',
    calendars: 'Outside calendars',
    school: 'School',
    courses: 'Courses',
    checks: 'Checks',
    load: 'Load',
    materials: 'Materials',
    next: 'Next',
    signUp: 'Sign up',
    subscribe: 'Subscribe',
  },
  navLabel: 'Main',
  coursesLabel: 'Courses shown',
  courseOn: (title: string) => `${title}: shown. Hide it`,
  courseOff: (title: string) => `${title}: hidden. Show it`,
  account: (name: string) => `Your account, ${name}`,
  skip: 'Skip to the page',
  undo: 'Undo',
  undone: 'Undone.',
  close: 'Close',
  fileUnread: 'This file is not UTF-8 text. Save it as CSV (UTF-8) and choose it again.',
  copy: 'Copy',
  copied: 'Copied',
  copyFailed: 'Select the text and copy it yourself: this browser does not let Pembit do it.',
  mailFailed: (to: string, subject: string, error: string) =>
    `A letter to ${to} (“${subject}”) did not arrive: ${error}`,
  stopped: 'Stopped. Nothing was changed.',
  stop: 'Stop',
  offline: 'Pembit did not answer. Nothing is lost: try again in a moment.',
} as const;

export const signInTexts = {
  title: 'Sign in',
  lead: 'One calendar for everything in your courses.',
  email: 'E-mail address',
  password: 'Password',
  submit: 'Sign in',
  demoTitle: 'This is a demonstration',
  demoLead: 'The school, its people and its mail are invented. Choose whom to be:',
  demoAs: (name: string) => `Sign in as ${name}`,
} as const;

export const accountTexts = {
  title: 'Your account',
  signedInAs: 'Signed in as',
  signOut: 'Sign out',
  everywhere: 'Sign out on every device',
  everywhereLead: 'Use this when a phone or a computer with your sign-in is lost.',
  administrator: 'You manage terms, closures and people.',
  nothingYet: 'You are in no course yet. When an instructor adds you, it appears here.',
} as const;
