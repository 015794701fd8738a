'use client';
import { useMemo } from 'react';
import { Temporal } from 'temporal-polyfill';
import type { Stretch } from '@/core/signup/offeredTimes';
import { readStretches, writeStretches } from '@/core/signup/readStretches';
import type { SheetDraft } from './sheetDraft';
import { sheetFactsOf, typedOffering } from './sheetDraft';
import type { OfferingTerm } from './sheetPreview';
import { sheetPreview } from './sheetPreview';

/** A draft with everything that follows from it, and what painting and choosing do to it. */
export function useSheetDraft(
  draft: SheetDraft,
  change: (changes: Partial<SheetDraft>) => void,
  { term, today, nowMs }: Readonly<{ term: OfferingTerm; today: string; nowMs: number }>,
) {
  const from = useMemo(() => Temporal.PlainDate.from(today), [today]);
  const now = useMemo(() => Temporal.Instant.fromEpochMilliseconds(nowMs), [nowMs]);
  const courses = Object.keys(draft.courses);
  const typed = typedOffering(draft, from);
  const preview = sheetPreview(typed.offering, term, { courses, now });
  const read = readStretches(draft.typed, from);
  const stretches: readonly Stretch[] = read.ok ? read.stretches : [];
  const put = (next: readonly Stretch[]) => change({ typed: writeStretches(next) });
  const toggled = (list: readonly string[], starts: readonly string[]) =>
    starts.some((start) => list.includes(start))
      ? list.filter((other) => !starts.includes(other))
      : [...list, ...starts];
  /** The same time of every week, where the sheet repeats. */
  const everyWeek = (start: string): string[] => {
    if (draft.repeat !== 'weekly') return [start];
    const weekday = Temporal.PlainDate.from(start.slice(0, 10)).dayOfWeek;
    return [...preview.byDay].flatMap(([date, times]) =>
      Temporal.PlainDate.from(date).dayOfWeek === weekday
        ? times.filter((time) => time.start.slice(11) === start.slice(11)).map((time) => time.start)
        : [],
    );
  };
  return {
    typed,
    preview,
    stretches,
    facts: sheetFactsOf(draft),
    paint: (date: string, start: string, end: string) =>
      put([
        ...stretches,
        {
          date: Temporal.PlainDate.from(date),
          start: Temporal.PlainTime.from(start),
          end: Temporal.PlainTime.from(end === '24:00' ? '00:00' : end),
        },
      ]),
    erase: (stretch: Stretch) => put(stretches.filter((other) => other !== stretch)),
    toggle: (start: string) => change({ leftOut: toggled(draft.leftOut, everyWeek(start)) }),
    allTheSame: (start: string) => change({ allTheSame: toggled(draft.allTheSame, [start]) }),
    overMidnight: (twoDays: readonly Stretch[]) => put(twoDays),
  };
}
