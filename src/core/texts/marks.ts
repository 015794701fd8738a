/** What each mark of the term says, for the legend. */
export const markTexts = {
  class: 'a class with its plan',
  empty: 'a class that has no plan yet, by its number',
  event: 'an event, with when it starts',
  due: 'work on the day it is due',
  set: 'the same work on the day it is given out',
  times: 'a sign-up sheet: one box for each time, filled when taken',
  note: 'a private note, for its author alone',
  announcement: 'an announcement',
  outside: 'from an outside calendar',
  later: 'students do not see it yet',
  cancelled: 'called off',
  news: 'changed since you looked',
} as const;
