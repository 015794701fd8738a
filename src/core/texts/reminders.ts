/** Words of reminders by letter. */
export const reminderTexts = {
  title: 'Reminders by letter',
  lead: 'Many calendar applications leave the reminders of a subscribed calendar out; a letter arrives. It is written within a quarter of an hour.',
  due: 'A reminder before due work',
  booking: 'A reminder before a time you took',
  times: {
    '': 'none',
    '60': '1 hour before',
    '180': '3 hours before',
    '1440': '1 day before',
    '2880': '2 days before',
    '10080': '1 week before',
  },
  minutes: (n: string) => `${n} minutes before`,
  line: (tags: string, title: string, when: string, due: boolean) =>
    `${[tags, title].filter(Boolean).join(' ')}: ${due ? 'due ' : ''}${when}`,
  subject: (first: string, n: number) => (n === 1 ? first : `${first} and ${n - 1} more`),
  letter: (name: string, lines: readonly string[], zone: string, link: string) =>
    `Hello ${name},\n\nsoon:\n\n${lines.join('\n')}\n\nTimes are ${zone}. Everything: ${link}\n\nWhen you are reminded is chosen on the page of your account.\n`,
} as const;
