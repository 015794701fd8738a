import { Temporal } from 'temporal-polyfill';
import { frameTexts } from '@/core/texts/frame';
import { dateLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { currentTerm, isIn } from '@/core/time/term';

/** A term to be looked at, with when it is, in words. */
export type TermChoice = Readonly<{ id: string; name: string; when: string; current: boolean }>;

/** The terms of somebody's courses, the earliest first. */
export function termChoices(
  terms: readonly Term[],
  { today, locale }: { today: Temporal.PlainDate; locale: string },
): TermChoice[] {
  const current = currentTerm(terms, today);
  const day = (date: Temporal.PlainDate) =>
    dateLabel(date, date.year === today.year ? 'short' : 'dated', locale);
  return [...terms]
    .sort((a, b) => Temporal.PlainDate.compare(a.startsOn, b.startsOn))
    .map((term) => ({
      id: term.id,
      name: term.name,
      when: isIn(term, today)
        ? frameTexts.termNow
        : Temporal.PlainDate.compare(today, term.startsOn) < 0
          ? frameTexts.termBegins({ day: day(term.startsOn) })
          : frameTexts.termEnded({ day: day(term.endsOn) }),
      current: term.id === current?.id,
    }));
}
