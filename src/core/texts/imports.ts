/** Words about files that are brought into the plan. */
export const importTexts = {
  title: 'Bring a file into the plan',
  lead: 'The events of a calendar file become entries of a course. What is in the plan already is found by its UID: bringing the same file in twice changes nothing.',
  file: 'Calendar file (.ics)',
  course: 'Into which course',
  draft: 'As drafts: students see nothing yet',
  states: { new: 'new', changed: 'changed', same: 'the same', left: 'left out', noted: 'read otherwise' },
  counts: (n: Readonly<Record<'new' | 'changed' | 'same' | 'left', number>>) =>
    `${n.new} new, ${n.changed} changed, ${n.same} the same, ${n.left} left out`,
  bring: (added: number, changed: number) =>
    `Bring in ${[added > 0 ? `${added} new` : '', changed > 0 ? `${changed} changed` : ''].filter(Boolean).join(' and ')}`,
  nothing: 'Everything in this file is in the plan already.',
  line: (line: number) => `line ${line}`,
  calledOff: 'It was called off.',
  asSingles: (tzid: string, n: number) =>
    `It repeats by the clocks of ${tzid}, which change on other days: it comes as ${n} single events.`,
  clocks: (zone: string) => `Times are ${zone}.`,
  outsideTerm: 'It lies outside the term.',
  notTaken: (why: string) => `It cannot be an entry: ${why}`,
  noCourse: (code: string, term: string) => `There is no course ${code}${term ? ` in ${term}` : ''}.`,
  severalTerms: (code: string, terms: readonly string[]) =>
    `${code} is in ${terms.join(' and ')}: say which term.`,
  noStaff: (code: string, as: string) => (as ? `${as} does not teach ${code}.` : `Nobody teaches ${code}.`),
  imported: (added: number, changed: number) => `Added ${added}, changed ${changed}`,
} as const;
