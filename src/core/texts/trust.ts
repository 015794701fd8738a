import type { ChangedField } from '../events/event';

/** What is said of how a date came to be as it is, and in letters about a change. */
export const trustTexts = {
  title: 'How this came about',
  moved: (was: string, now: string) => `Moved from ${was} to ${now}`,
  calledOff: (when: string) => `Called off, ${when}`,
  takesPlace: (when: string) => `Takes place after all, ${when}`,
  withdrawn: (when: string) => `No longer shown, was ${when}`,
  deleted: (when: string) => `Taken out of the plan, was ${when}`,
  changed: (fields: string) => `Changed: ${fields}`,
  planMoved: (title: string, was: string, now: string) => `${title} moved from ${was} to ${now}`,
  by: (name: string, at: string) => (name ? `by ${name}, ${at}` : at),
  told: (told: number, failed: number, seen: number) =>
    [told === 1 ? 'told 1' : `told ${told}`, failed > 0 ? `${failed} failed` : '', seen === 1 ? '1 has seen it since' : `${seen} have seen it since`]
      .filter(Boolean)
      .join(', '), // prettier-ignore
  waved: 'nobody needed to be told',
  pending: (n: number) =>
    n === 1 ? '1 student has seen it as it was.' : `${n} students have seen it as it was.`,
  wave: 'Nobody needs to be told',
  waved_: 'It is noted that nobody needs to be told',
  gone: (title: string) => `${title} is no longer planned`,
  goneLead: 'What stood at this address was taken away, called off or is not shown any more.',
  field: {
    title: 'title', date: 'date', setOn: 'the day it is set', opens: 'when it opens', closes: 'when it closes', end: 'end',
    place: 'place', meeting: 'how to join', handIn: 'how it is handed in', points: 'points', audience: 'whom it is for',
    links: 'links', text: 'text', occurrences: 'single days', shown: 'when it is shown', hidden: 'until when it is shown',
    late: 'late work', coming: 'seats', pacing: 'own dates', kind: 'kind',
  } satisfies Record<ChangedField, string>,
  own: (when: string, own: string) => `${when} (${own} where you are)`,
  lettersTitle: 'Letters you had sent',
  lettersSoFar: (summary: string, { told, gathered, sent, failed, shown }: Readonly<{ told: number; gathered: number; sent: number; failed: number; shown: number }>) =>
    `${summary}: ${sent} of ${told - gathered === 1 ? '1 letter' : `${told - gathered} letters`} sent${gathered === 0 ? '' : `, ${gathered} in the letter of the day`}${failed === 0 ? '' : `, ${failed} could not be delivered`}${shown === 0 ? '' : `; shown on ${shown === 1 ? '1 device' : `${shown} devices`}`}.`, // prettier-ignore
} as const; // prettier-ignore
