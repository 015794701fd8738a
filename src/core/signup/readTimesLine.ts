import { weekdayNamed } from '../time/weekdayNames';

/** What a line about office hours says, as the form of new times has it; what it does not say is absent. */
export type TimesLine = Readonly<{
  /** Days and hours, as `readStretches` takes them. */
  typed: string;
  /** Minutes of each time, and between two. */
  length?: string;
  gap?: string;
  repeat: 'weekly' | 'once';
}>;

const MINUTES = String.raw`(?:minutes?|mins?\.?|m)?`;
const LENGTH = new RegExp(
  String.raw`,?\s*\b(?:in\s+(\d{1,3})(?:s|\s*${MINUTES}\s*(?:times|slots|each)?)|(\d{1,3})[-\s]?(?:minutes?|mins?\.?)\s*(?:times|slots|each|apiece|per\s+\w+)|(\d{1,3})\s*${MINUTES}\s*each)(?=[\s,;.)]|$)`,
  'i',
);
const GAP = new RegExp(
  String.raw`,?\s*(?:(?:with|and)\s+)?\b(\d{1,2})\s*${MINUTES}\s*(?:between|break|apart|off)\b(?:\s+(?:them|times|each))?`,
  'i',
);
const NAME = /^\W*(?:office|drop-?in|consultation|help)\s+hours?\b\s*(?:are|is|on|every)?\s*[:,–—-]*\s*/i;
const WEEKLY = /,?\s*\b(?:every\s+week|weekly|all\s+term|each\s+week)\b/gi;
/** Where it is, behind the hours: the form asks for it by itself. */
const PLACE = /(\d|am|pm|noon)\s*(?:,\s*)?(?:\bin\b|\bat\b|@|\()\s*[^;]*$/i;

/**
 * Reads a line about office hours: `Office hours: T/Th 12-2 in 25s, 5 between`. Days without a date are every week's.
 * @example readTimesLine('T/Th 12-2 in 25s, 5 between')
 * // { typed: 'T/Th 12-2', length: '25', gap: '5', repeat: 'weekly' }
 */
export function readTimesLine(text: string): TimesLine {
  const length = LENGTH.exec(text)?.slice(1).find(Boolean);
  const withoutLength = text.replace(LENGTH, '');
  const gap = GAP.exec(withoutLength)?.[1];
  const weekly = WEEKLY.test(withoutLength);
  WEEKLY.lastIndex = 0;
  const typed = withoutLength
    .replace(GAP, '')
    .replace(WEEKLY, '')
    .replace(NAME, '')
    .replace(/\b(?:every|on|from)\s+/gi, '')
    .replace(PLACE, '$1')
    .replace(/[\s.,;]+$/, '')
    .trim();
  const named = typed.split(/[\s,;/&+]+/).some((word) => weekdayNamed(word.toLowerCase()) !== undefined);
  const dated = /\d{4}-\d{2}-\d{2}|\b\d{1,2}\.?\s*[a-z]{3,9}\b|\b[a-z]{3,9}\s+\d{1,2}\b(?!\s*[-:–])/i.test(typed.replace(/\b\d{1,2}\s*(?:am|pm)\b/gi, '')); // prettier-ignore
  return {
    typed,
    ...(length ? { length } : {}),
    ...(gap ? { gap } : {}),
    repeat: weekly || (named && !dated) ? 'weekly' : 'once',
  };
}
