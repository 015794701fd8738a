/** How the history says what happened to terms, closures, courses and meetings. */
export const frameHistoryTexts = {
  addedTerm: (name: string) => `Added the term ${name}`,
  closed: (name: string) => `Added the closure ${name}`,
  opened: (name: string) => `Removed the closure ${name}`,
  movedThere: (day: string) => `A class was moved to ${day} by hand. Move or cancel it first.`,
  addedCourse: (code: string) => `Added the course ${code}`,
  changedCourse: (code: string) => `Changed ${code}`,
  addedSection: (name: string) => `Added section ${name}`,
  changedWeek: (name: string, day: string) => `Changed when section ${name} meets from ${day} on`,
  movedClass: (title: string, when: string) => `Moved ${title} to ${when}`,
  cancelledClass: (title: string) => `Cancelled ${title}`,
  restoredClass: (title: string) => `${title} takes place after all`,
  enrolled: (n: number) => (n === 1 ? 'Added 1 student' : `Added ${n} students`),
  addedStaff: (name: string) => `Added ${name} as co-instructor`,
  removedStaff: (name: string) => `Took ${name} off the staff`,
  leftCourse: (name: string) => `Took ${name} off the roster`,
} as const;
