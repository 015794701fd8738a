import type { ScheduleKind } from '../schedule/scheduleLine';

/** Words of schedules that are pasted. */
export const scheduleTexts = {
  title: 'Paste a schedule',
  whichDate: (text: string) => `“${text}” means two days. Which one?`,
  weekdayOff: (text: string) => `In “${text}” the weekday is not the date’s. Which day is meant?`,
  outside: (text: string) => `“${text}” lies outside the term. Which day is meant?`,
  backwards: (text: string) => `“${text}” ends before it begins.`,
  noDate: 'On which day?',
  whatIsIt: 'There is no class on that day. What is it?',
  whichClass: (week: number) => `Which class of week ${week}?`,
  whichTime: (text: string) => `“${text}” could be morning or afternoon.`,
  noClasses: 'No classes',
  kinds: {
    topic: 'topic of a class',
    due: 'work',
    event: 'event',
    closure: 'no classes',
    times: 'office hours',
    heading: 'heading',
    nothing: 'leave it out',
  } satisfies Readonly<Record<ScheduleKind, string>>,
} as const;
