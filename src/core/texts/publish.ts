/** Words of the Publish and Subscribe pages. */
export const publishTexts = {
  title: 'Publish',
  lead: 'Published once, right everywhere from then on. A feed goes into calendar applications, an embed into a page of your course’s site.',
  otherTerms: (n: number) => `Published for other terms: ${n}`,
  feed: 'Feed',
  embed: 'Embed',
  newTitle: 'New feed or embed',
  kind: 'What',
  feedLead: 'A feed: an address for calendar applications',
  embedLead: 'An embed: a piece of page for a course site',
  courses: 'Courses in it',
  who: 'Who can read it',
  public: 'Public',
  publicLead:
    'Anyone with its address can read it. It shows what concerns everyone in the course and the ticked sections, never a student’s name or who has taken a time, and links into meetings only if ticked.',
  roster: 'For the roster',
  rosterLead:
    'Give the address to your students only: whoever holds it can read it. It may show what concerns the ticked sections, too.',
  personalLead: 'Your own: whoever holds this address can read what you see, taken times included.',
  sections: 'Sections whose classes and own entries are in it',
  kinds: 'What it shows',
  kindNames: {
    class: 'Classes',
    event: 'Events',
    set: 'Set days',
    due: 'Due work',
    announcement: 'Announcements',
    times: 'Sign-up times',
    closure: 'Closures',
    booking: 'Times you took',
    note: 'Your notes',
    outside: 'Outside calendars',
  },
  times: 'Sign-up times',
  timesAs: { days: 'one line a day, with the number of free times', single: 'each free time by itself' },
  calendars: 'Outside calendars in it',
  joining: 'Meetings',
  meetingLinks: 'With links into meetings',
  places: 'With rooms and names of sections',
  where: 'Where people are',
  emptyOf: (kinds: string) => `It is ticked for ${kinds}, and holds none of that yet.`,
  files: 'Files and pages',
  openFiles: (
    audience: 'public' | 'roster',
    { files, recordings, pages }: Readonly<{ files: number; recordings: number; pages: number }>,
  ) => {
    const open = audience === 'public' ? files - recordings : files;
    const said = [
      ...(open > 0 || pages === 0 ? [open === 1 ? '1 file' : `${open} files`] : []),
      ...(pages > 0 ? [pages === 1 ? '1 page' : `${pages} pages`] : []),
    ].join(' and ');
    const kept = recordings === 1 ? 'a recording stays' : `${recordings} recordings stay`;
    return audience === 'roster'
      ? `Open ${said} for whoever holds the address`
      : `Open ${said} for anyone${recordings > 0 ? `; ${kept} with the course` : ''}`;
  },
  recordings: 'Recordings that anyone may play, each by itself',
  mailMe: 'Send it to my mailbox',
  mailed: (to: string) => `A letter with it goes to ${to}`,
  tags: 'Titles begin with the course’s tag',
  detail: 'How much it tells',
  details: { full: 'Everything: texts, places, links', titles: 'Titles and times alone' },
  back: 'How far back',
  backs: { all: 'the whole term', '28': 'four weeks', '7': 'one week', '0': 'from today on' },
  reminders: 'Reminders',
  remindersLead: 'Many calendar applications leave out the reminders of a subscribed calendar.',
  reminderKinds: { due: 'Due work', event: 'Events', booking: 'Taken times' },
  reminderTimes: {
    '': 'none',
    '15': '15 minutes before',
    '60': '1 hour before',
    '1440': '1 day before',
    '4320': '3 days before',
    '10080': '1 week before',
  },
  view: 'What the page shows',
  views: {
    days: 'Coming days',
    week: 'One week',
    month: 'One month',
    term: 'The whole term',
    day: 'One day’s sheet',
    times: 'Sign-up times',
    entry: 'A single entry',
    course: 'The course’s page: who, when, where, what',
  },
  viewDate: 'Which day (empty: today)',
  viewEntry: 'Which entry',
  look: 'Look',
  lookTitle: 'Title over it (empty: its name)',
  locale: 'Language of dates (such as fr-CA; empty: the school’s)',
  weekStart: 'First day of the week',
  weekStarts: { '': 'as the school has it', '1': 'Monday', '7': 'Sunday', '6': 'Saturday' },
  scheme: 'Light or dark',
  schemes: { reader: 'as the reader’s device', light: 'light', dark: 'dark' },
  color: 'Colour of headings and links',
  rows: 'Row height',
  rowHeights: { close: 'close', usual: 'usual', roomy: 'roomy' },
  height: 'Height of the frame, in pixels',
  filters: 'Readers can choose courses and kinds',
  origins: 'Sites that may show it, one a line (empty: any)',
  name: 'Name',
  more: 'More choices',
  newFeed: 'New feed',
  newEmbed: 'New embed',
  newFeedTitle: 'A new feed',
  newEmbedTitle: 'A new embed',
  changeTitle: (name: string) => `Change ${name}`,
  all: 'All feeds and embeds',
  publish: 'Publish to the roster and copy the address',
  publishPublic: 'Publish to anyone with the address, and copy it',
  publishEmbed: 'Publish to the roster and copy the snippet',
  publishEmbedPublic: 'Publish to anyone with the address, and copy the snippet',
  save: 'Save: its address stays',
  saved: 'Saved. Whoever reads it gets the new contents.',
  done: (name: string, copied: boolean) =>
    copied
      ? `Published ${name}. It is copied: paste it where it belongs.`
      : `Published ${name}. Copy it below.`,
  preview: 'How it will look',
  previewFeed: 'What calendar applications will read',
  width: 'Width',
  widths: { '280': '280, a narrow column', '390': '390, a phone', '640': '640', '0': 'all there is' },
  courseTitle: 'Before it goes out',
  courseWho: (n: number) => (n === 1 ? '1 student' : `${n} students`),
  courseChecks: (n: number) => (n === 0 ? 'no checks left' : n === 1 ? '1 check left' : `${n} checks left`),
  courseLinks: (all: number, failing: number, untested: number) =>
    failing > 0
      ? failing === 1
        ? '1 link does not open'
        : `${failing} links do not open`
      : untested > 0
        ? untested === 1
          ? '1 link is not tested yet'
          : `${untested} links are not tested yet`
        : all === 0
          ? 'no links yet'
          : 'all links open',
  courseOutlets: (open: number, roster: number) =>
    open + roster === 0
      ? 'in no feed and no embed: students see it in Pembit alone'
      : [open > 0 ? `public in ${open}` : '', roster > 0 ? `for its roster in ${roster}` : '']
          .filter(Boolean)
          .join(', '),
  tell: (n: number) => (n === 1 ? 'Send 1 student their feed' : `Send ${n} students their feeds`),
  toldAll: 'everybody has been sent their feed',
  testLinks: 'Materials and links',
  address: 'Address',
  snippet: 'Snippet',
  copyAddress: 'Copy the address',
  copySnippet: 'Copy the snippet',
  bare: 'Or a bare link',
  code: (name: string) => `QR code of ${name}`,
  showCode: 'QR code',
  how: 'How to subscribe',
  howToPaste: 'How to paste it',
  howPhone:
    'On a phone: open the link on the phone, or scan the QR code. The calendar application asks whether to subscribe.',
  howDesktop:
    'On a computer: copy the address. In the calendar application choose to subscribe to, or to add, a calendar from its address, and paste it.',
  howEmbed:
    'In the editor of your course’s site, switch to its HTML, and paste the snippet. If it takes no HTML, paste the bare link. Some editors show an empty box until the page is viewed.',
  subscribe: 'Subscribe on this device',
  open: 'Look at it',
  onSite: 'On the course site stand-in',
  inApplication: 'In the calendar application stand-in',
  change: 'Change',
  replace: 'Replace the address',
  replaceNamed: (name: string) => `Replace the address of ${name}`,
  removeNamed: (name: string) => `Delete ${name}`,
  replaceLead: 'Whoever has the old address gets nothing new there; for 30 days it says so.',
  replaceNow: 'Replace it',
  remove: 'Delete',
  keep: 'Keep it',
  otherForms: 'Other forms of it',
  work: 'Due work as tasks',
  freeBusy: 'Office hours as free and busy times',
  news: 'What is new (Atom)',
  neverRead: 'Not read yet',
  lastRead: (when: string, n: number) =>
    `Last read ${when} · ${n === 1 ? '1 time' : `${n} times`} in two weeks`,
  readsByDay: 'Reads by day',
  reads: (day: string, n: number) => `${day}: ${n}`,
  exactly: 'Exactly what can be read',
  noSuchSection: 'This section is in none of the ticked courses.',
  noSuchCalendar: 'This calendar is beside none of the ticked courses, or for staff alone.',
  chooseEntry: 'Choose the entry that is shown.',
  letterSubject: 'Your calendar from Pembit',
  letter: (name: string, by: string, url: string, page: string) =>
    `Hello ${name},\n\n${by} sends you the address of your own calendar: everything of all your courses, and the times you take. It keeps itself up to date.\n\nSubscribe to it in your calendar application:\n${url}\n\nHow that is done, and how to replace the address: ${page}\n\nKeep the address to yourself: whoever holds it can read your calendar.\n`,
  holds: (kinds: string) => `It holds ${kinds}.`,
  personalName: (name: string) => `${name}: all courses`,
} as const;

export const subscribeTexts = {
  title: 'Subscribe',
  lead: 'Put everything from all your courses into the calendar on your phone or computer. It stays up to date by itself.',
  yours: 'Your own address',
  notYet: 'No calendar application has read it yet. It says here when one has.',
  choose: 'What is in it',
  save: 'Save',
  replaceLead:
    'Do this when somebody else has got hold of it. Then subscribe anew: the old address says so for 30 days, and is gone.',
  asTasks: 'Your due work as tasks',
  asTasksLead:
    'Some programs keep tasks beside the calendar. This address holds your due work alone, with what you ticked as done; programs that know no tasks show nothing of it.',
  tasksAddress: 'Address of your tasks',
  secret: 'Keep it to yourself: whoever holds it can read your calendar, with the times you took.',
  onPhone: 'On this device',
  onPhoneLead: 'One tap opens your calendar application and asks whether to subscribe.',
  elsewhere: 'On another device',
  elsewhereLead:
    'Copy the address. In the calendar application look for “subscribe” or “add a calendar from its address”, and paste it.',
  slow: 'Calendar applications look for news once an hour at best, some once a day.',
} as const;
