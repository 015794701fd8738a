/** Words of messages that are spoken into the browser. */
export const spokenTexts = {
  title: 'A spoken message',
  lead: (title: string, minutes: number) =>
    `It is recorded here, heard by you first, and then added to the links of “${title}”. At most ${minutes} minutes.`,
  open: 'Record a spoken message',
  record: 'Record',
  stop: 'Stop',
  again: 'Record it again',
  add: 'Add it to the entry',
  recording: (said: string, most: string) => `Recording: ${said} of ${most}`,
  progress: 'How much of the time is used',
  listen: 'What was recorded',
  name: 'What it is called',
  defaultName: 'Spoken message',
  sending: (percent: number) => `Sending: ${percent} %`,
  added: (title: string) => `Added a spoken message to ${title}`,
  notAllowed:
    'The browser may not use the microphone. Allow it for this page, beside its address, and try again.',
  noMicrophone: 'No microphone was found. Connect one and try again, or upload a file in the entry’s form.',
  cannot: 'This browser cannot record. Upload a file in the entry’s form.',
  whoHears: (who: string) => `Who will hear it: ${who}.`,
  captions: 'Whoever cannot hear it has nothing of it: put what matters into the entry’s text as well.',
  back: 'Back to the entry',
} as const;
