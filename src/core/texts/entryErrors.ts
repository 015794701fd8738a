/** What is wrong with how the dates of an entry lie. */
export const entryErrorTexts = {
  setAfterDue: 'It is set after it is due. Choose an earlier day.',
  opensAfterDue: 'It opens after it is due. Choose an earlier time.',
  closesBeforeDue: 'It closes before it is due. Choose a later time.',
  refusedButOpen:
    'Late work is refused, yet it closes after it is due. Take away when it closes, or choose that late work is taken.',
  mixed: 'Give both with a time, or both as days.',
  endsFirst: 'It ends before it starts. Choose a later end.',
  endsBeforeFirst: 'It stops repeating before it starts. Choose a later day.',
} as const;
