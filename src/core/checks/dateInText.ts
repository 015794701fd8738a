import { findDate } from '../time/typedDay';
import { plainText } from '../richText/plainText';
import { checkTexts } from '../texts/checks';
import { dateLabel } from '../time/dateLabels';
import type { Check, CheckInput, CheckedEntry } from './check';
import { OPEN } from './check';
import { dayOfEntry, daysBetween } from './checkedDates';

/** A day of a month in words, with what it is said to be: only such dates are sure to be dates. */
const SAID =
  /\b(due|by|on|until)?\s*((?:(?:mon|tues|wednes|thurs|fri|satur|sun)day,?\s+)?(?:\d{1,2}(?:st|nd|rd|th)?\s+(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*|(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\s+\d{1,2}(?:st|nd|rd|th)?)(?:,?\s+(?:19|20)\d{2})?)\b/i;

/** Days that an entry speaks of by right: its own, and those that hang on it. */
function ownDays(entry: CheckedEntry): readonly string[] {
  const days = [dayOfEntry(entry)];
  if (entry.kind === 'assignment') {
    for (const moment of [entry.setOn, entry.opens, entry.closes])
      if (moment) days.push('wall' in moment ? moment.wall.toPlainDate() : moment);
  }
  if (entry.kind === 'event' && entry.when.kind === 'days') days.push(entry.when.end.subtract({ days: 1 }));
  return days.map((day) => day.toString());
}

/** A date in the title or text that is not the entry's: written when it stood elsewhere. */
export const dateInText: Check = {
  id: 'dateInText',
  find: (input) => input.entries.flatMap((entry) => found(input, entry)),
};

function found(input: CheckInput, entry: CheckedEntry) {
  const text = `${entry.title}. ${plainText(entry.description)}`;
  const match = SAID.exec(text);
  if (!match) return [];
  const said = match[2]!;
  const context = { today: input.today, term: input.term, courses: [], locale: input.locale };
  const date = findDate((pattern) => new RegExp(pattern.source, 'iu').exec(said) ?? undefined, context);
  if (!date) return [];
  const about = { entry };
  // A weekday that is not that date's: one of the two is wrong.
  if (date.reading.kind === 'ask')
    return date.reading.choices.length > 0
      ? [
          {
            check: 'dateInText',
            about,
            why: checkTexts.weekdayOff({ said }),
            remedy: OPEN(checkTexts.mendText),
          },
        ]
      : [];
  const day = date.reading.date;
  if (ownDays(entry).includes(day.toString())) return [];
  const why = checkTexts.dateInText({ said, day: dateLabel(dayOfEntry(entry), 'short', input.locale) });
  const isDue = /^(?:due|by)$/i.test(match[1] ?? '') && entry.kind === 'assignment';
  const label = checkTexts.moveTo({ day: dateLabel(day, 'short', input.locale) });
  return [
    {
      check: 'dateInText',
      about,
      why,
      remedy: isDue
        ? { label, act: 'shift' as const, days: daysBetween(dayOfEntry(entry), day) }
        : OPEN(checkTexts.mendText),
    },
  ];
}
