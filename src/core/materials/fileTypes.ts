/** The largest file that is kept, and the largest package that is read, in bytes. */
export const LARGEST_FILE = 50 * 1024 * 1024;
export const LARGEST_PACKAGE = 500 * 1024 * 1024;
export const LARGEST_CALENDAR = 20 * 1024 * 1024;

/** Whether a browser may show it in place, or hands it over to be saved. */
type Shown = 'inline' | 'attachment';

/** The types of files that are kept: what shows that it is what its name says, and runs nothing by being looked at. */
const TYPES: Readonly<Record<string, readonly [endings: string, shown: Shown]>> = {
  'application/pdf': ['pdf', 'inline'],
  'image/png': ['png', 'inline'],
  'image/jpeg': ['jpg jpeg', 'inline'],
  'image/gif': ['gif', 'inline'],
  'image/webp': ['webp', 'inline'],
  'audio/mpeg': ['mp3', 'inline'],
  'audio/wav': ['wav', 'inline'],
  'audio/ogg': ['ogg oga opus', 'inline'],
  'audio/x-m4a': ['m4a', 'inline'],
  'audio/webm': ['weba', 'inline'],
  'video/mp4': ['mp4 m4v', 'inline'],
  'video/webm': ['webm', 'inline'],
  'video/quicktime': ['mov', 'attachment'],
  'text/plain': ['txt md csv tsv log', 'inline'],
  'text/calendar': ['ics', 'attachment'],
  'text/vtt': ['vtt', 'inline'],
  'application/rtf': ['rtf', 'attachment'],
  'application/zip': ['zip imscc', 'attachment'],
  'application/epub+zip': ['epub', 'attachment'],
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': ['docx', 'attachment'],
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': ['xlsx', 'attachment'],
  'application/vnd.openxmlformats-officedocument.presentationml.presentation': ['pptx', 'attachment'],
  'application/vnd.oasis.opendocument.text': ['odt', 'attachment'],
  'application/vnd.oasis.opendocument.spreadsheet': ['ods', 'attachment'],
  'application/vnd.oasis.opendocument.presentation': ['odp', 'attachment'],
};

const endingOf = (name: string): string => /\.([a-z0-9]{1,8})$/i.exec(name)?.[1]?.toLowerCase() ?? '';

/** Text whose type its content does not tell. */
const TEXT_BY_ENDING: Readonly<Record<string, string>> = { ics: 'text/calendar', vtt: 'text/vtt' };

/** What a file of that content and name is kept as, or why it is not. `found` is the type by its first bytes; text has none. */
export type FileJudgement = Readonly<{ mediaType: string } | { refused: 'unknownType' | 'otherType' }>;

export function judgeFile(name: string, found: string | undefined, isText: boolean): FileJudgement {
  // One container for sound and for films: its name says which.
  const type =
    found === 'video/webm' && endingOf(name) === 'weba'
      ? 'audio/webm'
      : (found ?? (isText ? (TEXT_BY_ENDING[endingOf(name)] ?? 'text/plain') : ''));
  const known = TYPES[type];
  if (!known) return { refused: 'unknownType' };
  if (!known[0].split(' ').includes(endingOf(name))) return { refused: 'otherType' };
  return { mediaType: type };
}

export const shownAs = (mediaType: string): Shown => TYPES[mediaType]?.[1] ?? 'attachment';

export const isRecording = (mediaType: string): boolean => /^(audio|video)\//.test(mediaType);

/** The endings of files that can be chosen, for a file field. */
export const ACCEPTED_ENDINGS = Object.values(TYPES).flatMap(([endings]) =>
  endings.split(' ').map((e) => `.${e}`),
);

/** A file's name as it is kept: no folders, no control characters, at most 150 characters with its ending. */
export function plainFileName(name: string): string {
  const last = name.split(/[\\/]/).at(-1) ?? '';
  const plain = last
    .replace(/[\u0000-\u001f\u007f"<>|:*?]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^\.+/, '');
  const ending = endingOf(plain);
  return plain.length <= 150 ? plain : `${plain.slice(0, 149 - ending.length)}.${ending}`;
}
