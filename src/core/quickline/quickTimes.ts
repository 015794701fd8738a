import type { Temporal } from 'temporal-polyfill';
import { quickTexts } from '../texts/quickLine';
import { timeLabel } from '../time/dateLabels';
import { readRange, readTime } from '../time/typedTime';

/** A time that says itself that it is one. */
const CLOCK =
  '(?:\\d{1,2}(?:[:.]\\d{2})?\\s*(?:a\\.m\\.|p\\.m\\.|am\\b|pm\\b|[ap]\\b)|\\d{1,2}[:.]\\d{2}\\b|noon\\b|midday\\b|midnight\\b)';
const ANY = `(?:${CLOCK}|\\d{4}\\b|\\d{1,2}\\b)`;
const BETWEEN = '\\s*(?:-|–|\\bto\\b|\\buntil\\b)\\s*';
const FREE = '(?<![\\w:.])';

/** A range, then a time, where a time is expected: right after a date, or after "at". */
const EXPECTED_RANGE = new RegExp(`(${ANY}${BETWEEN}${ANY})`);
const EXPECTED_TIME = new RegExp(`(${ANY})`);
/** Anywhere else at least one side must say that it is a time. */
const SAID_RANGE = new RegExp(`${FREE}((?:${CLOCK})${BETWEEN}${ANY}|${ANY}${BETWEEN}(?:${CLOCK}))`);
const SAID_TIME = new RegExp(`${FREE}(${CLOCK})`);

export type TimesReading =
  | Readonly<{ kind: 'times'; start: Temporal.PlainTime; end?: Temporal.PlainTime }>
  | Readonly<{
      kind: 'ask';
      question: string;
      choices: readonly Readonly<{ label: string; text: string }>[];
    }>;
export type FoundTimes = Readonly<{ from: number; to: number; reading: TimesReading }>;
type Look = (pattern: RegExp) => RegExpExecArray | undefined;

function rangeReading(text: string): TimesReading | undefined {
  const read = readRange(text);
  if (read.kind === 'range') return { kind: 'times', start: read.start, end: read.end };
  if (read.kind === 'backwards') return { kind: 'ask', question: quickTexts.backwards(text), choices: [] };
  if (read.kind === 'unreadable') return undefined;
  const choices = read.readings.map(({ start, end }) => `${timeLabel(start)}-${timeLabel(end)}`);
  return asking(text, choices);
}

function timeReading(text: string): TimesReading | undefined {
  const read = readTime(text);
  if (read.kind === 'time') return { kind: 'times', start: read.time };
  return read.kind === 'ask'
    ? asking(
        text,
        read.readings.map((time) => timeLabel(time)),
      )
    : undefined;
}

const asking = (text: string, texts: readonly string[]): TimesReading => ({
  kind: 'ask',
  question: quickTexts.whichTime(text),
  choices: texts.map((choice) => ({ label: choice, text: choice })),
});

function first(
  look: Look,
  tries: readonly (readonly [RegExp, (text: string) => TimesReading | undefined])[],
): FoundTimes | undefined {
  for (const [pattern, read] of tries) {
    const match = look(pattern);
    const text = match?.[1];
    const reading = text ? read(text) : undefined;
    if (!match || !text || !reading) continue;
    const from = match.index + match[0].indexOf(text);
    return { from, to: from + text.length, reading };
  }
  return undefined;
}

/** Times that stand right where they are expected. */
export const timesAt = (look: Look): FoundTimes | undefined =>
  first(look, [
    [EXPECTED_RANGE, rangeReading],
    [EXPECTED_TIME, timeReading],
  ]);

/** Times anywhere in a line, which say themselves that they are. */
export const findTimes = (look: Look): FoundTimes | undefined =>
  first(look, [
    [SAID_RANGE, rangeReading],
    [SAID_TIME, timeReading],
  ]);
