import type { Temporal } from 'temporal-polyfill';
import type { CarryLine } from '@/core/carryover/carry';
import { carryTexts as say } from '@/core/texts/carryOver';
import { dateLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { weekNumber } from '@/core/time/term';

export type CarryRow = Readonly<{
  id: string;
  kind: string;
  title: string;
  from: string;
  /** For the field, and in words. */
  to: string;
  toWords: string;
  left: boolean;
  /** It cannot come along, whatever is chosen. */
  stays: boolean;
  /** The day of a sheet is that of its first time, and is not chosen. */
  fixed: boolean;
  needsLook: boolean;
  remarks: readonly string[];
  corrections: readonly string[];
}>;

export type CarryPreviewView = Readonly<{
  rows: readonly CarryRow[];
  counts: string;
  carried: number;
  along: string;
  students: number;
}>;

/** What is carried over, as plain text. */
export function carryView({
  lines,
  materials,
  themes,
  students,
  locale,
  outlineOf,
}: Readonly<{
  lines: readonly CarryLine[];
  materials: number;
  themes: number;
  students: number;
  locale: string;
  outlineOf?: Pick<Term, 'startsOn' | 'endsOn'>;
}>): CarryPreviewView {
  const oldDay = (day: Temporal.PlainDate) =>
    outlineOf
      ? say.outlineDay(weekNumber(outlineOf, day), dateLabel(day, 'weekday', locale))
      : dateLabel(day, 'short', locale);
  const rows = lines.map((line): CarryRow => {
    const { from, to, problem, movedOff, times, singles } = line;
    return {
      id: line.id,
      kind: say.kinds[line.kind],
      title: line.title,
      from: from ? oldDay(from) : '',
      to: to?.toString() ?? '',
      toWords: to ? dateLabel(to, 'short', locale) : '',
      left: line.left,
      stays: problem === 'namedOnly',
      fixed: line.kind === 'sheet',
      needsLook: problem !== undefined || movedOff !== undefined,
      remarks: [
        problem ? say.problems[problem] : '',
        movedOff ? say.movedOff({ closure: movedOff }) : '',
        times ? `${say.times(times.now, times.before)}, ${say.notOffered}` : '',
        singles > 0 ? say.singles({ n: singles }) : '',
      ].filter(Boolean),
      corrections: line.corrections.map(({ said, instead }) => say.correction({ said, instead })),
    };
  });
  const left = rows.filter((row) => row.left).length;
  return {
    rows,
    carried: rows.length - left,
    counts: say.counts({
      carried: rows.length - left,
      left,
      look: rows.filter((row) => row.needsLook).length,
    }),
    along: materials + themes > 0 ? say.along(materials, themes) : '',
    students,
  };
}
