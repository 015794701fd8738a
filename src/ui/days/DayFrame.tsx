'use client';
import type { ReactNode } from 'react';
import { createContext, useMemo } from 'react';
import type { TermDays } from '@/core/time/term';

/** As texts: whoever has no field for a day loads nothing that reckons with days. */
export type DaysOfFrame = Readonly<{ today: string; locale: string; term?: TermDays }>;

export const Days = createContext<DaysOfFrame | undefined>(undefined);

/** What fields for a day know: how dates are written, today where the courses are taught, and the term. */
export function DayFrame({ today, locale, term, children }: DaysOfFrame & { children: ReactNode }) {
  const { startsOn, endsOn, weekStart } = term ?? {};
  const value = useMemo(
    () => ({ today, locale, term: startsOn && endsOn ? { startsOn, endsOn, weekStart } : undefined }),
    [today, locale, startsOn, endsOn, weekStart],
  );
  return <Days value={value}>{children}</Days>;
}
