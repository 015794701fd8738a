const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`;

/** Words of files that are uploaded. */
export const fileTexts = {
  playHere: 'Play here',
  showHere: 'Show here',
  hideHere: 'Hide again',
  captions: 'Captions',
  add: 'Upload files',
  attach: 'Attach a file',
  drop: 'or drop them here',
  limit: (bytes: number) => `At most ${megabytes(bytes)} each.`,
  empty: 'This file is empty. Choose another one.',
  tooLarge: (bytes: number) =>
    `This file is larger than ${megabytes(bytes)}. Make it smaller, or link to where it is.`,
  unknownType: (name: string) =>
    `“${name}” is of a type that is not kept here. PDF, pictures, sound, films, office documents, text and zip are.`,
  otherType: (name: string) => `“${name}” is not what its ending says. Save it again under its right ending.`,
  notKept: 'Choose a file that you have uploaded.',
  sending: (name: string, percent: number) => `${name}: ${percent} %`,
  sent: (count: number) => (count === 1 ? 'Uploaded 1 file' : `Uploaded ${count} files`),
  stop: 'Stop',
  stopped: 'Stopped. What had arrived whole is kept.',
  failed: (name: string, why: string) => `${name}: ${why}`,
} as const;
