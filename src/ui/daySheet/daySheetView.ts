import { entryTexts } from '@/core/texts/entries';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import type { SheetLink, SheetPart } from '@/core/plan/daySheet';
import { classDaysAround, daySheet, sheetLinks } from '@/core/plan/daySheet';
import type { Occurrence } from '@/core/plan/occurrence';
import { classTitle } from '@/core/plan/occurrences';
import { overrideAt } from '@/core/series/recurrence';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { sanitize } from '@/core/richText/sanitize';
import { daySheetTexts } from '@/core/texts/daySheet';
import { dateLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { weekNumber } from '@/core/time/term';
import { Temporal as T } from 'temporal-polyfill';
import type { PlanItem } from '../plan/planItem';
import type { DayLine, JoinAt } from '../student/dayLines';
import { dayLine } from '../student/dayLines';
import { planItemOf } from '../term/termMarks';

export type SheetItem = Omit<DayLine, 'links'> &
  Readonly<{
    item: PlanItem;
    /** What stands under the title: a class by its number where it has a plan. */
    name: string;
    /** Sanitised HTML. */
    text: string;
    join?: Readonly<{ url: string; label: string }>;
    links: readonly SheetLink[];
  }>;

/** One day's page, as plain text. */
export type DaySheetView = Readonly<{
  date: string;
  heading: string;
  /** The course, and the week. */
  where: string;
  parts: readonly Readonly<{ part: SheetPart; heading: string; items: readonly SheetItem[] }>[];
  previous?: Readonly<{ day: string; words: string }>;
  next?: Readonly<{ day: string; words: string }>;
}>;

export type SheetGiven = Readonly<{
  plan: SeenPlan;
  term?: Term;
  occurrences: readonly Occurrence[];
  materials: readonly SeenMaterial[];
  mayMove: (entry: string) => boolean;
  at: JoinAt;
  course?: CourseId;
}>;

export function daySheetView(date: Temporal.PlainDate, given: SheetGiven): DaySheetView {
  const { plan, term, occurrences, materials, mayMove, at, course: id } = given;
  const course = plan.courses.find((c) => c.id === id);
  const week = term && weekNumber(term, date);
  const texts = textsOf(plan);
  const around = classDaysAround(occurrences, date, id);
  const words = (day: string) => dateLabel(T.PlainDate.from(day), 'short', plan.locale);
  return {
    date: date.toString(),
    heading: entryTexts.onDay({
      label: dateLabel(date, 'full', plan.locale),
      day: plan.dayNames.get(date.toString()),
    }),
    where: [course && `${course.tag} ${course.title}`, week && `week ${week}`].filter(Boolean).join(' · '),
    parts: daySheet(occurrences, date, id).map(({ part, items }) => ({
      part,
      heading: daySheetTexts.parts[part],
      items: items.map((o): SheetItem => {
        const { links, ...line } = dayLine(o, plan, at);
        const { text, name } = texts(o);
        const [join] = links.length > ('links' in o ? o.links.length : 0) ? links : [];
        return {
          ...line,
          // Beside it stands which class it is.
          ...(o.kind === 'class' ? { title: o.title } : {}),
          item: planItemOf(o, mayMove),
          name,
          text,
          ...(join ? { join } : {}),
          links: sheetLinks('links' in o ? o.links : [], materials),
        };
      }),
    })),
    ...(around.previous ? { previous: { day: around.previous, words: words(around.previous) } } : {}),
    ...(around.next ? { next: { day: around.next, words: words(around.next) } } : {}),
  };
}

/** The addresses that each item of a sheet links to, what is in a linked unit included. */
export const linkedIn = ({ parts }: DaySheetView): string[][] =>
  parts.flatMap(({ items }) =>
    items.map(({ links }) => links.flatMap((link) => [link.url, ...link.items.map(({ url }) => url)])),
  );

/** The formatted text of what an occurrence is about. */
export function textsOf(plan: SeenPlan): (o: Occurrence) => Readonly<{ text: string; name: string }> {
  const entries = new Map(plan.entries.map((entry) => [entry.id, entry]));
  const classes = new Map(plan.classes.map((seen) => [seen.meeting.id, seen]));
  return (o) => {
    if ('entry' in o) {
      const entry = entries.get(o.entry);
      const own = entry?.kind === 'event' ? overrideAt(entry.recurrence, o.recurrenceId) : undefined;
      return { text: sanitize(own?.description ?? entry?.description ?? ''), name: '' };
    }
    const seen = o.kind === 'class' ? classes.get(o.meeting) : undefined;
    return { text: sanitize(seen?.plan?.description ?? ''), name: seen?.plan ? classTitle(seen) : '' };
  };
}
