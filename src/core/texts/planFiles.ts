const of = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** Words of plans kept as files. */
export const planFileTexts = {
  title: 'The plan as a file',
  lead: 'Everything planned in this course, with its files and without its students, in one open package.',
  save: 'Save the plan',
  saveOutline: 'Save as an outline without dates',
  outlineLead: 'An outline is for a colleague, or for another year: it is carried over into a course and finds its days there.', // prettier-ignore
  saveTerm: (term: string) => `Save ${term} as a file`,
  name: (code: string, term: string, outline: boolean) =>
    `${[code, outline ? 'outline' : term].filter(Boolean).join(' ') || 'plan'}.zip`,
  bringTitle: 'Bring in a term or a course',
  bringLead: 'A plan package that was saved from Pembit, here or elsewhere. What it holds is shown first.',
  choose: 'Plan package',
  instructor: 'Who teaches its courses',
  bring: (n: number) => `Bring in ${of(n, 'course', 'courses')}`,
  brought: (courses: number, term: string) => `Brought in ${of(courses, 'course', 'courses')} of ${term}`,
  course: (code: string, title: string, classes: number, planned: number) =>
    `${code} ${title}: ${of(classes, 'class', 'classes')}, ${planned} planned`,
  intoTerm: (term: string) => `They join ${term}, which is here already.`,
  newTerm: (term: string, from: string, to: string, zone: string) =>
    `${term}, ${from} to ${to}, ${zone}, is added.`,
  fromFile: 'or from a plan that was saved as a file',
  inFile: (code: string, title: string, outline: boolean) =>
    `${code} ${title} · ${outline ? 'outline' : 'in the file'}`,
  emptyTerm: 'There is no course in this term yet.',
  noPlan: 'There is no plan in this file. Choose a package that was saved from Pembit.',
  newer: 'This package was saved by a newer Pembit. Bring it in there, or save it with this version.',
  wrong: (where: string, why: string) => `The plan in this file cannot be read: ${where}: ${why}`,
  incomplete: (n: number) =>
    `The plan in this file leads to ${of(n, 'thing', 'things')} that it does not hold. Save it again.`,
  fileMissing: (name: string) => `The file ${name} is missing in the package, or too large.`,
  isOutline: 'This is an outline without dates. Carry it over into a course instead.',
  codeTaken: (code: string, term: string) => `${term} has a course ${code} already.`,
} as const;
