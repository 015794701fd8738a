import { listed } from './entries';

/** Words inside feeds: they are read on phones, without Pembit around them. */
export const feedTexts = {
  workOf: (name: string) => `${name}: work to do`,
  due: (title: string) => `${title} (due)`,
  set: (title: string, due: string) => `${title} (set, due ${due})`,
  opens: (when: string) => `Opens ${when}.`,
  closes: (when: string) => `Closes ${when}.`,
  setOn: (day: string) => `Set ${day}.`,
  /** A class's own page: plan, place, materials, what was set. */
  classPage: (url: string) => `On one page: ${url}`,
  daySheet: (url: string) => `Day sheet: ${url}`,
  times: (title: string, free: number, n: number) =>
    `${title} (${free} of ${n === 1 ? '1 time' : `${n} times`} free)`,
  freeTime: (title: string) => `${title} (free)`,
  takeATime: (url: string) => `Take a time: ${url}`,
  booking: (title: string, names: readonly string[]) => `${title} with ${listed(names)}`,
  about: (courses: readonly string[], audience: 'public' | 'roster' | 'personal') =>
    `${listed(courses)}. ${
      {
        public: 'Anyone with its address can read this calendar.',
        roster:
          'Whoever holds its address can read this calendar: it is meant for the students of the course.',
        personal: 'Whoever holds its address can read this calendar: keep it to yourself.',
      }[audience]
    }`,
  from: (calendar: string) => `From the calendar ${calendar}.`,
  note: (note: string) => `Note: ${note}`,
  giveBack: (url: string) => `To give it back: ${url}`,
} as const;
