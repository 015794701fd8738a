/** A piece of a file as a message shows it: short, on one line. */
const piece = (text: string, most = 40) => text.replace(/[\u0000-\u001f\u007f]+/g, ' ').slice(0, most);

/** What is said about calendar files that others wrote: what was left out, and what was read otherwise. */
export const readingTexts = {
  lineTooLong: 'This line is longer than 64 kB and was left out.',
  notUtf8: 'This line is not UTF-8. It was read as Western European text.',
  noContentLine: 'This is no line of a calendar.',
  tooMany: (n: number) => `The file has more than ${n} parts. The rest was not read.`,
  tooDeep: 'Parts are nested too deeply and were left out.',
  outside: (name: string) => `${piece(name, 30)} stands outside a calendar.`,
  unopened: (name: string) => `${piece(name, 30)} ends here, and has not begun.`,
  unclosed: (name: string) => `${piece(name, 30)} begins here, and does not end.`,
  zoneTaken: (name: string, tzid: string) => `The time zone “${piece(name, 60)}” was read as ${tzid}.`,
  zoneUnknown: (name: string, tzid: string) =>
    `The time zone “${piece(name, 60)}” is not known. Its times were read as those of ${tzid}.`,
  noDate: (text: string) => `“${piece(text)}” is no date.`,
  yearOut: (year: number) => `The year ${year} lies outside 1970 to 2100.`,
  noStart: 'It has no start.',
  noUid: 'It has no UID. It is known by its start and its title.',
  notAnEvent: (name: string) => `${piece(name, 30)} is neither an event nor a task.`,
  endBefore: 'It ends before it starts. Its end was left out.',
  endMixed: 'Its start is a day and its end a time, or the other way round. Its end was left out.',
  endAndDuration: 'It has an end and a duration. The end was taken.',
  badDuration: (text: string) => `“${piece(text, 40)}” is no duration. It was read without an end.`,
  badRule: (text: string) => `It repeats in a way that is not understood: “${piece(text, 80)}”.`,
  tooOften: 'It repeats more often than once a day.',
  twoRules: 'It has several rules for repeating. The first was taken.',
  badExtra: (text: string) => `An extra or left-out date could not be read: “${piece(text, 40)}”.`,
  manyExdates: 'It leaves out more than 1,000 dates, and was not read: what is left out would take place.',
  manyRdates: 'More than 1,000 dates were added to it. The rest was left out.',
  thisAndFuture: 'A change for all later dates was taken for this one alone.',
  newerTaken: 'The file has it twice. The newer one was taken.',
  noCalendar: 'This is no calendar: it does not begin with BEGIN:VCALENDAR.',
  manyOccurrences: (n: number) => `It takes place more than ${n} times. The rest was left out.`,
  untitled: 'Without a title',
} as const;
