import { sameNumber } from '@/core/time/classNumber';
import { isExam } from '@/core/checks/twoExams';
import type { Occurrence } from '@/core/plan/occurrence';
import type { Release } from '@/core/entries/visibility';
import { entryTexts, listed } from '@/core/texts/entries';
import { studentTexts } from '@/core/texts/student';
import { termTexts } from '@/core/texts/term';
import { briefTime, timeLabel } from '@/core/time/dateLabels';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import type { PlanItem } from '../plan/planItem';

export type Tag = Readonly<{ tag: string; color: string }>;

/** One mark in a cell, as plain text: the server formats, the grid draws. */
export type GridItem = PlanItem &
  Readonly<{
    kind: Occurrence['kind'];
    tags: readonly Tag[];
    /** Before the title: `10:00`. */
    time?: string;
    /** The number of a class, drawn as a small box. */
    ordinal?: string;
    /** Whether a class has a plan: then it is tinted. */
    planned: boolean;
    /** The same in words, where there is room. */
    long?: string;
    /** At the end: `by 17:00`. */
    by?: string;
    release: Release;
    cancelled: boolean;
    /** Whether something about it is different since one looked. */
    news: boolean;
    /** A sheet's times, true where taken. */
    boxes?: readonly boolean[];
    /** All of it in words, for the tooltip and for screen readers. */
    words: string;
  }>;

/** What a cell without room for all shows before the rest: due work and examinations, then whatever has its time, then what is set. */
const PRECEDENCE: Record<Occurrence['kind'], number> = {
  due: 0,
  booking: 1,
  event: 2,
  announcement: 5,
  note: 6,
  times: 3,
  class: 4,
  set: 5,
  outside: 6,
  siteDate: 7,
  closure: 8,
};

/** What a view of the plan knows of an occurrence that is opened or moved. */
export function planItemOf(o: Occurrence, mayMove: MayMove, title = o.title): PlanItem {
  const entry = 'entry' in o ? o.entry : undefined;
  return {
    key: `${o.uid} ${o.recurrenceId ? momentText(o.recurrenceId) : momentText(o.start)}`,
    title,
    date: dayOf(o.start).toString(),
    entry,
    meeting: o.kind === 'class' ? o.meeting : undefined,
    href:
      o.kind === 'siteDate' || o.kind === 'outside'
        ? `/day/${dayOf(o.start)}`
        : o.kind === 'times' || o.kind === 'booking'
          ? o.asStaff
            ? '/office-hours'
            : '/sign-up'
          : undefined,
    recurrenceId: o.recurrenceId && momentText(o.recurrenceId),
    start: momentText(o.start),
    end: o.end && momentText(o.end),
    movable:
      o.kind === 'class'
        ? o.edits && o.plan !== undefined
        : o.kind !== 'set' && !(o.kind === 'due' && o.variant) && entry !== undefined && mayMove(entry),
  };
}
export type MayMove = (entry: string) => boolean;
/** How marks are worded: who may move what, and how dates and times are written. */
export type Marking = Readonly<{ mayMove: MayMove; locale: string }>;

/** An occurrence as a mark. */
export function itemOf(o: Occurrence, courseTags: readonly Tag[], { mayMove, locale }: Marking): GridItem {
  // What others plan is told apart from the courses by having no tag of theirs.
  const tags = o.kind === 'outside' ? [] : courseTags;
  const clock = isDay(o.start) ? undefined : briefTime(o.start.wall, locale);
  const title =
    o.kind === 'set'
      ? entryTexts.setTitle({ title: o.title })
      : o.kind === 'booking'
        ? o.mine
          ? studentTexts.withNames({ names: listed(o.withNames) })
          : listed(o.withNames)
        : o.title;
  const taken = o.kind === 'times' ? o.slots.map((slot) => slot.taken >= slot.seats) : undefined;
  const words = [
    tags.map((t) => t.tag).join(' '),
    entryTexts.kind[o.kind],
    o.kind === 'due' && clock ? entryTexts.by({ time: clock }) : clock,
    title,
    o.cancelled === undefined ? undefined : entryTexts.cancelled({ reason: o.cancelled }),
    o.news && studentTexts.mark[o.news],
    taken ? termTexts.rulerLabel({ taken: taken.filter(Boolean).length, all: taken.length }) : undefined,
    o.asStaff && o.release !== 'shown' ? entryTexts.release[o.release] : undefined,
  ];
  const short = o.kind === 'class' ? (o.plan ? o.title : (o.sectionName ?? '')) : title;
  return {
    kind: o.kind,
    tags,
    planned: o.kind === 'class' && o.plan !== undefined,
    ordinal: o.kind === 'class' ? entryTexts.classMark(o.number) : undefined,
    long: o.kind === 'class' && !o.plan ? title : undefined,
    time: o.kind === 'due' ? undefined : clock,
    by: o.kind === 'due' && clock ? entryTexts.by({ time: clock }) : undefined,
    release: o.release,
    cancelled: o.cancelled !== undefined,
    news: o.news !== undefined,
    boxes: taken,
    words: words.filter(Boolean).join(', '),
    // Last: an object that begins with a spread and goes on is many times slower to make.
    ...planItemOf(o, mayMove, short),
  };
}

/** The same class plan (or the same number) in several sections on one day is one mark. */
function intoMarks(marks: Occurrence[][], o: Occurrence): Occurrence[][] {
  const same =
    o.kind === 'class' &&
    o.cancelled === undefined &&
    marks.find(([first]) => {
      if (first?.kind !== 'class' || first.course !== o.course || first.cancelled !== undefined) return false;
      return o.plan ? first.plan === o.plan : !first.plan && sameNumber(first.number, o.number);
    });
  if (same) same.push(o);
  else marks.push([o]);
  return marks;
}

function standingFor(others: readonly Occurrence[], item: GridItem, { locale }: Marking): GridItem {
  if (others.length === 0) return item;
  const classes = others.flatMap((o) => (o.kind === 'class' ? [o] : []));
  const times = classes.map((o) => (isDay(o.start) ? '' : briefTime(o.start.wall, locale)));
  return {
    ...item,
    others: classes.map((o) => o.meeting),
    title: item.planned ? item.title : '',
    words: `${item.words}, ${termTexts.alsoAt({ times: listed(times) })}`,
  };
}

/** How pressing something is where there is no room for all: the lower, the more. */
export const pressing = (o: Occurrence): number => (isExam(o) ? 0 : PRECEDENCE[o.kind]);
/** Within a day: what has no time first, then by time. */
const timeText = (o: Occurrence): string => (isDay(o.start) ? '' : timeLabel(o.start.wall));

/** A mark, and how pressing it is where there is no room for all: the lower, the more. */
export type RankedMark = Readonly<{ item: GridItem; rank: number }>;

/** Of the marks of a cell, those that it has room for, in their order. */
export function mostPressing<T extends Readonly<{ rank: number }>>(
  marks: readonly T[],
  most: number,
): readonly T[] {
  if (marks.length <= most) return marks;
  const chosen = new Set([...marks].sort((a, b) => a.rank - b.rank).slice(0, most));
  return marks.filter((mark) => chosen.has(mark));
}

/** The marks of a cell, from all that touches its days, by day and time; sections that share a class plan are one. */
export const cellMarks = (
  here: readonly Occurrence[],
  tagsOf: (o: Occurrence) => readonly Tag[],
  marking: Marking,
): RankedMark[] =>
  here
    .filter((o) => o.kind !== 'closure')
    .sort((a, b) => {
      const [x, y] = [a, b].map((o) => `${momentText(dayOf(o.start))} ${timeText(o)}`);
      return x! < y! ? -1 : x! > y! ? 1 : pressing(a) - pressing(b);
    })
    .reduce<Occurrence[][]>(intoMarks, [])
    .map(([o, ...others]) => ({
      item: standingFor(others, itemOf(o!, tagsOf(o!), marking), marking),
      rank: pressing(o!),
    }));

/** A mark where there is room for its bare words alone. */
export const printedMark = ({ tags, time, title }: GridItem): string =>
  [tags.map(({ tag }) => tag).join(' '), time, title].filter(Boolean).join(' ');
