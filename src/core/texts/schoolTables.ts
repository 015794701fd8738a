/** Words of tables that the administrator brings: people, courses, sections, staff. */
export const schoolTableTexts = {
  title: 'Bring a table',
  open: 'Bring people, courses, sections or staff as a table',
  lead: 'From a spreadsheet or CSV. The heads of its columns say what it holds; every line is looked at before anything is added, and the same table again adds nothing.',
  templates: 'Empty tables to fill in',
  template: {
    people: 'People',
    courses: 'Courses with their sections',
    sections: 'Sections of courses that are here',
    staff: 'Staff of courses',
  },
  templateFile: (kind: string) => `${kind}.xlsx`,
  hint: 'People come first: courses and staff name them by their addresses.',
  field: 'The table',
  fieldHint: 'Its first line holds the heads, as in the empty tables.',
  file: 'Or choose a file: CSV or .xlsx',
  look: 'Look at it',
  heads: {
    name: 'Name',
    email: 'E-mail',
    term: 'Term',
    code: 'Course',
    title: 'Title',
    tag: 'Tag',
    color: 'Colour',
    instructor: 'Instructor',
    section: 'Section',
    week: 'Week',
    role: 'Role',
  },
  report: (fresh: number, same: number, faults: number) =>
    [
      fresh === 0 ? 'Nothing in it is new.' : fresh === 1 ? '1 line is new.' : `${fresh} lines are new.`,
      same === 0 ? '' : same === 1 ? '1 is here already.' : `${same} are here already.`,
      faults === 0 ? '' : faults === 1 ? '1 cannot be taken.' : `${faults} cannot be taken.`,
    ]
      .filter(Boolean)
      .join(' '),
  take: (fresh: number, faults: number) =>
    `${fresh === 1 ? 'Add 1 line' : `Add ${fresh} lines`}${faults === 0 ? '' : faults === 1 ? ', leave 1 out' : `, leave ${faults} out`}`,
  taken: (fresh: number) => (fresh === 1 ? 'Added 1 line of a table' : `Added ${fresh} lines of a table`),
  wrong: 'Cannot be taken',
  fresh: 'New',
  line: (line: number, words: string) => `Line ${line}: ${words}`,
  more: (n: number) => `and ${n} more`,
  personLine: (name: string, email: string) => `${name}, ${email}`,
  courseLine: (code: string, title: string, section: string) => `${code} ${title}, section ${section}`,
  sectionLine: (code: string, section: string) => `${code}, section ${section}`,
  staffLine: (email: string, code: string, role: string) => `${email}: ${role} of ${code}`,
  noCode: 'Name the course by its code.',
  unknownHeads:
    'Its first line does not say what the table holds: take the heads of one of the empty tables.',
  tooMany: (most: number, n: number) => `At most ${most} lines at once; this table has ${n}.`,
  formula: (cell: string) => `“${cell.slice(0, 40)}” begins like a formula.`,
  noSuchColor: (colors: readonly string[]) => `A colour is one of ${colors.join(', ')}.`,
  noSuchRole: (role: string) =>
    role === 'substitute'
      ? 'A substitute has a first and a last day: add them on the course’s page.'
      : 'A role is instructor, co-instructor or assistant.',
  whichTerm: 'Name the term: there are several.',
  noSuchTerm: (name: string) => `There is no term “${name}”.`,
  noSuchCourse: (code: string) => `There is no course ${code} in that term.`,
  archived: (code: string) => `${code} is archived.`,
  noTitle: (code: string) => `${code} is new: give it a title.`,
  noInstructor: (code: string) => `${code} is new: name its instructor by their address.`,
  noTag: (code: string) => `${code} is new: give it a tag of two or three letters.`,
  noSuchPerson: (email: string) => `Nobody here has the address ${email}. Bring the people first.`,
  otherThanAbove: (code: string, line: number) => `It says something else of ${code} than line ${line}.`,
  twice: (line: number) => `The same as line ${line}.`,
} as const;
