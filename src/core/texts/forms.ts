/** Words that several forms share. */
export const formTexts = {
  whoSees: 'Who will see it',
  cancel: 'Cancel',
  errors: {
    title: 'Give it a title.',
    day: 'Choose a day.',
    time: 'This is not a time. Type one such as 10, 2:30p, 1400 or noon.',
    which: 'Choose which time you mean.',
    endsOnLast: 'Type when it ends on its last day.',
    endBefore: 'It ends before it starts. Choose a later end.',
    lastBefore: 'The last day lies before the first one.',
    setAfterDue: 'It is set after it is due. Choose an earlier day.',
    course: 'Choose at least one course.',
    sections: (tag: string) => `Choose at least one section of ${tag}.`,
    url: 'Paste a whole address, beginning with https:// or http://.',
    number: 'Type a number.',
    classNumber: 'Write the number of a class, such as 12, or lab 3.',
    wholeNumber: 'Type a whole number.',
    count: 'Type how many times.',
    untilBefore: 'The last day lies before the first one.',
  },
} as const;
