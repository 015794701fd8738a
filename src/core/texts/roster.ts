/** Words for rosters that come from the school's own system. */
export const rosterTexts = {
  title: 'Rosters from the school’s system',
  lead: 'A zip with the tables classes.csv, enrollments.csv and users.csv (OneRoster 1.2). Nothing is saved before you have seen it.',
  file: 'Package of rosters',
  classes: 'Which class is which section',
  classLabel: (name: string, students: number) =>
    `${name} (${students === 1 ? '1 student' : `${students} students`})`,
  leaveOut: 'leave it out',
  counts: (n: Readonly<{ new: number; changed: number; same: number }>) =>
    `${n.new} new, ${n.changed} changed, ${n.same} as they are`,
  states: { new: 'new', changed: 'changed', same: 'as it is' },
  proposed: 'The office decides about another name or address',
  offered: (n: number) =>
    n === 1
      ? '1 person of the staff has been asked whether to join'
      : `${n} people of the staff have been asked whether to join`,
  official: 'Rosters from the school’s system',
  officialLead:
    'For one course after another. What such a list calls somebody (its identifier) holds for the whole school.',
  officialCourse: 'Course',
  from: (section: string) => `from section ${section}`,
  left: (n: number) =>
    `${n === 1 ? '1 student came' : `${n} students came`} from such a list before and ${n === 1 ? 'is' : 'are'} not on this one. They stay until you take them off:`,
  faults: (n: number) => (n === 1 ? '1 row cannot be read' : `${n} rows cannot be read`),
  fault: (table: string, line: number, message: string) => `${table}, line ${line}: ${message}`,
  take: (added: number, changed: number) =>
    [added > 0 ? `Add ${added}` : '', changed > 0 ? `change ${changed}` : ''].filter(Boolean).join(', '),
  imported: (added: number, changed: number) => `Took over a roster: ${added} new, ${changed} changed`,
  kept: (added: number, changed: number, off: number) =>
    `Took over the school’s roster: ${added} new, ${changed} changed, ${off} gone`,
  nothing: 'Nothing to take over: the roster is as this list has it.',
  serviceSilent: 'The school’s system could not be asked for its lists. The server’s log says why.',
  serviceAnswered: (what: string) => `The school’s system did not answer with a list (${what}).`,
  noTable: (name: string) => `The table ${name} is missing in this package.`,
} as const;
