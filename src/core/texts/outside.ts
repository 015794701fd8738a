/** Words about outside calendars. */
export const outsideTexts = {
  title: 'Outside calendars',
  lead: 'Calendars that others keep, beside your plan: the district’s, the academic year’s, a club’s. Their days can be closures.',
  failures: {
    noCalendar: 'What is there is no calendar.',
    tooSlow: 'It took longer than ten seconds to read, and was left alone.',
    badAddress: 'This address cannot be read.',
    blockedAddress: 'This address leads into a private network.',
    timeOut: 'Its server did not answer within ten seconds.',
    tooManyRedirects: 'Its server leads on and on.',
    tooLarge: 'It is larger than 20 MB.',
    unreachable: 'No server answers there.',
  },
  status: (status: number) => `Its server answered ${status}.`,
  ofOtherTerms: (n: number) => (n === 1 ? '1 calendar of another term' : `${n} calendars of other terms`),
  none: 'No outside calendar yet. Paste the address of one, or choose a file: what it holds is shown before it is added.',
  add: 'Add a calendar',
  address: 'Address of the calendar',
  addressHint: 'https://, http:// or webcal://, as the calendar’s own page gives it.',
  file: 'Or a file (.ics)',
  beside: 'Beside which courses',
  wholeTerm: (term: string) => `All courses of ${term}`,
  look: 'Look at it',
  name: 'Name',
  seenBy: 'Who sees it',
  seenByOptions: {
    everyone: 'Staff and students; it can be ticked in feeds and embeds',
    staff: 'Staff alone',
  },
  closes: 'Which of its days are without classes',
  closesOptions: {
    none: 'None: it is shown, classes go on',
    matching: 'Those whose title contains …',
    all: 'All of them',
  },
  words: 'Words of the title, separated by commas',
  found: (n: number) => (n === 1 ? '1 date in the term' : `${n} dates in the term`),
  moreDates: (n: number) => `and ${n} more`,
  closuresFound: (n: number) => (n === 0 ? 'No day becomes a closure.' : n === 1 ? '1 day becomes a closure:' : `${n} days become closures:`), // prettier-ignore
  hit: (tag: string, meetings: number, due: number, taken: number) =>
    `${tag}: ${[
      meetings > 0 ? (meetings === 1 ? '1 class goes' : `${meetings} classes go`) : '',
      due > 0 ? (due === 1 ? '1 due date falls on one' : `${due} due dates fall on one`) : '',
      taken > 0 ? (taken === 1 ? '1 taken time falls on one' : `${taken} taken times fall on one`) : '',
    ]
      .filter(Boolean)
      .join(', ')}.`,
  skipped: (n: number) => (n === 1 ? '1 entry was not understood and is left out:' : `${n} entries were not understood and are left out:`), // prettier-ignore
  warned: (n: number) => (n === 1 ? '1 was read otherwise than it is written:' : `${n} were read otherwise than they are written:`), // prettier-ignore
  trouble: (line: number, title: string | undefined, why: string) =>
    title ? `Line ${line}, ${title}: ${why}` : `Line ${line}: ${why}`,
  addNow: (name: string) => `Add ${name || 'the calendar'}`,
  change: 'Change',
  save: 'Save',
  cancel: 'Leave it as it is',
  remove: 'Remove',
  switchOff: 'Switch off',
  switchOn: 'Switch on',
  off: 'Switched off: shown nowhere.',
  readNow: 'Read it now',
  fromFile: 'From a file',
  readAt: (when: string) => `Read ${when}`,
  notReadYet: 'Not read yet',
  failing: (since: string, why: string) =>
    `It has not answered since ${since}: ${why} Its last copy is shown.`,
  newsTitle: 'What changed when it was last read',
  news: {
    new: (title: string, now: string) => `New: ${title}, ${now}`,
    changed: (title: string, was: string, now: string) => (was === now ? `Changed: ${title}, ${now}` : `Moved: ${title}, ${was} → ${now}`), // prettier-ignore
    gone: (title: string, was: string) => `Gone: ${title}, ${was}`,
  },
  refreshed: (n: number) => (n === 0 ? 'Read: nothing has changed' : n === 1 ? 'Read: 1 change' : `Read: ${n} changes`), // prettier-ignore
  ofOthers: 'Kept by others',
  closingRule: (words: readonly string[]) =>
    `Closures: titles with ${words.map((word) => `“${word}”`).join(', ')}`,
  closingAll: 'Closures: all its days',
  dates: (n: number) => (n === 1 ? '1 date' : `${n} dates`),
  asked: 'asked for by an outside calendar',
  shown: (name: string) => `The calendar ${name}: shown. Hide it`,
  hidden: (name: string) => `The calendar ${name}: hidden. Show it`,
} as const;
