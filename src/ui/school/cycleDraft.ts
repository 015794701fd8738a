import type { Cycle } from '@/core/time/cycle';

/** Days that rotate, as the form has them: their names apart by spaces or commas; empty, none rotate. */
export type CycleDraft = Readonly<{
  days: string;
  onClosure: 'skip' | 'use';
  weekdays: readonly number[];
  given: readonly Readonly<{ date: string; day: string }>[];
}>;

export const NO_CYCLE: CycleDraft = { days: '', onClosure: 'skip', weekdays: [1, 2, 3, 4, 5], given: [] };

/** What is sent: null where no days rotate. */
export const cycleOf = ({ days, given, ...more }: CycleDraft) => {
  const names = days.split(/[\s,/]+/).filter(Boolean);
  return names.length === 0
    ? null
    : { ...more, days: names, given: given.filter(({ date, day }) => date !== '' || day !== '') };
};

export const cycleDraft = (cycle: Cycle | undefined): CycleDraft =>
  cycle
    ? {
        days: cycle.days.join(' '),
        onClosure: cycle.onClosure,
        weekdays: cycle.weekdays,
        given: cycle.given.map(({ date, day }) => ({ date: date.toString(), day })),
      }
    : NO_CYCLE;
