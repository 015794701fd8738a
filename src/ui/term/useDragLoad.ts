'use client';
import { useEffect, useState } from 'react';
import { loadTexts } from '@/core/texts/load';
import { callApi } from '../controls/callApi';

type Days = Readonly<{
  students: number;
  days: readonly Readonly<{ date: string; concerned: number; alarmed: number }>[];
}>;
export type DayMark = Readonly<{ words: string; much: boolean }>;

/** While a due date is dragged: how many of its students already have something due on each day; undefined until known. */
export function useDragLoad(entry: string | undefined): ReadonlyMap<string, DayMark> | undefined {
  const [known, setKnown] = useState<Readonly<{ entry: string; days: ReadonlyMap<string, DayMark> }>>();
  useEffect(() => {
    if (!entry) return;
    let wanted = true;
    void callApi<Days>('GET', `/api/load/days?without=${entry}`).then((answer) => {
      if (!wanted || !answer.ok || answer.value.students === 0) return;
      const days = answer.value.days.flatMap(({ date, concerned, alarmed }) =>
        concerned > 0
          ? [[date, { words: loadTexts.onDay({ students: concerned }), much: alarmed > 0 }] as const]
          : [],
      );
      setKnown({ entry, days: new Map(days) });
    });
    return () => {
      wanted = false;
    };
  }, [entry]);
  return entry !== undefined && known?.entry === entry ? known.days : undefined;
}
