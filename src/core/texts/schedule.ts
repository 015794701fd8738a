import type { ScheduleKind } from '../schedule/scheduleLine';

/** Words of schedules that are pasted. */
export const scheduleTexts = {
  title: 'Paste a schedule',
  open: 'Paste a whole schedule: topics, work, events, closed days',
  lead: 'A syllabus, a table, a colleague’s list, a mail: what it says is shown line by line before anything is planned, and what is unclear is asked.',
  for: 'For',
  field: 'The schedule',
  fieldHint: 'Such as: Nov 17: Essay 1 due. Or a table with dates, or weeks with their days below them.',
  file: 'Or choose a file: text, CSV, .xlsx, .docx, a page, a calendar (.ics)',
  fileRefused: {
    calendar: 'A calendar file is no table.',
    unreadable: 'This file cannot be read as a schedule.',
    tooLarge: 'This file holds more than a schedule does.',
    tooManyRows: 'A schedule has at most 1000 lines here.',
  },
  read: 'Read it',
  proposals: 'What it says',
  summary: (n: number, same: number, open: number) =>
    [
      n === 0
        ? 'Nothing was found that can be planned.'
        : n === 1
          ? '1 thing was found.'
          : `${n} things were found.`,
      same === 0 ? '' : same === 1 ? '1 stands in the plan already.' : `${same} stand in the plan already.`,
      open === 0 ? '' : open === 1 ? '1 is asked about.' : `${open} are asked about.`,
    ]
      .filter(Boolean)
      .join(' '),
  take: (title: string) => `Take ${title}`,
  takeAll: (n: number) => (n === 1 ? 'Plan 1 line' : `Plan ${n} lines`),
  stillOpen: (n: number) =>
    n === 1
      ? '1 line waits for an answer, or is to be left out.'
      : `${n} lines wait for an answer, or are to be left out.`,
  others: (n: number) => (n === 1 ? '1 line plans nothing' : `${n} lines plan nothing`),
  standsThere: 'Stands in the plan already.',
  writesOver: (title: string) => `Writes over “${title}” when ticked.`,
  beside: (titles: readonly string[]) => (titles.length === 0 ? '' : `On that day: ${titles.join(', ')}.`),
  change: 'Change',
  changeLine: (title: string) => `Change ${title}`,
  kind: 'What it is',
  titleField: 'Title',
  day: 'Day',
  lastDay: 'Last day',
  time: 'Time',
  setDay: 'Set on',
  setOn: (day: string) => `set ${day}`,
  opensOn: (day: string) => `opens ${day}`,
  closesOn: (day: string) => `closes ${day}`,
  taken: ({
    topics,
    entries,
    closures,
    same,
  }: Readonly<{ topics: number; entries: number; closures: number; same: number }>) =>
    topics + entries + closures === 0
      ? 'Nothing was new'
      : `Planned ${[
          topics === 0 ? '' : topics === 1 ? '1 class' : `${topics} classes`,
          entries === 0 ? '' : entries === 1 ? '1 entry' : `${entries} entries`,
          closures === 0 ? '' : closures === 1 ? '1 closure' : `${closures} closures`,
        ]
          .filter(Boolean)
          .join(', ')}${same > 0 ? `; ${same} stood there already` : ''}`,
  seeTerm: 'See it on the term',
  left: (n: number) => (n === 1 ? '1 line could not be planned:' : `${n} lines could not be planned:`),
  whichDate: (text: string) => `“${text}” means two days. Which one?`,
  weekdayOff: (text: string) => `In “${text}” the weekday is not the date’s. Which day is meant?`,
  outside: (text: string) => `“${text}” lies outside the term. Which day is meant?`,
  backwards: (text: string) => `“${text}” ends before it begins.`,
  noDate: 'On which day?',
  noTime: (text: string) => `“${text}” is no time here. At what time?`,
  unknownKind: (word: string) => (word === '' ? 'What is it?' : `“${word}” is no kind here. What is it?`),
  template: 'Save an empty table to fill in',
  templateFile: 'schedule.xlsx',
  whichEnd: 'Work is due on one day. On which?',
  whatIsIt: 'There is no class on that day. What is it?',
  whichClass: (week: number) => `Which class of week ${week}?`,
  whichTime: (text: string) => `“${text}” could be morning or afternoon.`,
  noClasses: 'No classes',
  notTaken: 'It could not be planned.',
  timesElsewhere: 'Office hours are offered on their own page.',
  offerTimes: 'Offer these times',
  classMovedThere: 'A class was moved to one of these days by hand. Move or cancel it first.',
  noClassThen: 'There is no class on that day.',
  pinned: (title: string) => `The class is held for “${title}”.`,
  kinds: {
    topic: 'class',
    due: 'work',
    event: 'event',
    closure: 'no classes',
    times: 'office hours',
    heading: 'heading',
    nothing: 'leave it out',
  } satisfies Readonly<Record<ScheduleKind, string>>,
} as const;
