import { Temporal } from 'temporal-polyfill';
import type { EntryInputJson } from '@/core/entries/entryInput';
import { mainMoment } from '@/core/entries/entry';
import type { Viewer } from '@/core/entries/viewer';
import { isOnStaff, isStaffOf } from '@/core/entries/viewer';
import { audienceWords } from '@/core/plan/audienceWords';
import { classTitle } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Ask, Piece, QuickContext, QuickCourse, QuickEntry } from '@/core/quickline/quickEntry';
import { quickInput } from '@/core/quickline/quickInput';
import type { AwayLine } from '@/core/quickline/readAwayLine';
import { readAwayLine } from '@/core/quickline/readAwayLine';
import type { ClosureLine } from '@/core/quickline/readClosureLine';
import { readClosureLine } from '@/core/quickline/readClosureLine';
import { readQuickLine } from '@/core/quickline/readQuickLine';
import { awayTexts } from '@/core/texts/away';
import { closureTexts } from '@/core/texts/closures';
import { quickTexts } from '@/core/texts/quickLine';
import { panelTexts } from '@/core/texts/term';
import { concernsCourse, isOn, isWhole } from '@/core/time/closure';
import { dateLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { termsBeside } from '@/core/time/term';
import { dayOf } from '@/core/time/zonedWall';

export type Find = Readonly<{
  key: string;
  title: string;
  when: string;
  tags: readonly Readonly<{ tag: string; color: string }>[];
  entry?: string;
  meeting?: string;
}>;

/** What the quick line shows below itself while one types. */
export type QuickView = Readonly<{
  line: string;
  pieces: readonly Piece[];
  asks: readonly Ask[];
  /** What Enter would add, and who would see it. */
  ready?: Readonly<{
    title: string;
    who: string;
    input: EntryInputJson;
    /** What closes the day that it is due, or takes place. */
    closed?: string;
    /** Of work: what else its students have due that day. */
    load?: string;
  }>;
  /** What is decided on a page of its own, for the days that the line names: no classes, or being away. */
  leads?: Readonly<{ words: string; act: string; href: string }>;
  finds: readonly Find[];
}>;

const MOST_FINDS = 6;

type Asked = Readonly<{
  viewer: Viewer;
  plan: SeenPlan;
  /** The term that is looked at. */
  term: Term | undefined;
  today: Temporal.PlainDate;
  line: string;
}>;

/** Reads a line for whoever types it: staff add to the courses they teach, anybody a note; everybody finds. */
export function quickView({ viewer, plan, term, today, line }: Asked): QuickView {
  const finds = term ? findOnPlan(plan, term, line) : [];
  const none = { line, pieces: [], asks: [], finds };
  if (!term || line.trim() === '') return none;
  const context = quickContext(viewer, plan, term, today);
  const away = isOnStaff(viewer) ? readAwayLine(line, context) : undefined;
  if (away) return { ...none, ...awayView(away, { term, locale: plan.locale }) };
  const closing = context.courses.length > 0 ? readClosureLine(line, context) : undefined;
  if (closing && closing.day.kind !== 'unreadable')
    return { ...none, ...closureView(closing, { term, locale: plan.locale }) };
  const { asks, entry, ...read } = readQuickLine(line, context);
  // What each piece was read as stays here.
  const pieces = read.pieces.map(({ from, to, name, words }) => ({ from, to, name, words }));
  if (!entry) return { line, pieces, asks, finds };
  const who = entry.kind === 'note' ? panelTexts.onlyYou : audienceWords(entry.courses, plan.courses);
  const closed = closedOn(entry, plan);
  return {
    line,
    pieces,
    asks,
    finds,
    ready: {
      title: entry.title,
      who,
      input: quickInput(entry, context),
      ...(closed ? { closed: quickTexts.closedThen({ name: closed.name }) } : {}),
    },
  };
}

/** The closure of the day that work is due, or that something takes place. */
function closedOn({ on, due, courses }: QuickEntry, { closures }: SeenPlan) {
  const day = due?.kind === 'date' ? due.date : on?.date;
  if (day === undefined) return undefined;
  const date = Temporal.PlainDate.from(day);
  return closures.find(
    (closure) =>
      isWhole(closure) &&
      isOn(closure, date) &&
      courses.some(({ course }) => concernsCourse(closure, course)),
  );
}

/** Where a line that says one is away leads, or which of its days it is asked to mean. */
function awayView(
  { from, to }: AwayLine,
  { term, locale }: Readonly<{ term: Term; locale: string }>,
): Partial<QuickView> {
  const words = (from: Temporal.PlainDate, to: Temporal.PlainDate) =>
    [...new Set([from, to].map((day) => weekAndDate(term, day, locale)))].join(' – ');
  const unclear = [from, to].find((day) => day.kind === 'ask');
  if (unclear?.kind === 'ask')
    return {
      asks: [
        {
          question: unclear.question,
          choices: unclear.days.map((day) => ({
            label: dateLabel(day, 'dated', locale),
            line: awayTexts.line({
              from: (from.kind === 'day' ? from.day : day).toString(),
              to: (to.kind === 'day' ? to.day : day).toString(),
            }),
          })),
        },
      ],
    };
  if (from.kind !== 'day' || to.kind !== 'day') return {};
  const query = new URLSearchParams({ from: from.day.toString(), to: to.day.toString() });
  return {
    leads: {
      words: awayTexts.quick({ days: words(from.day, to.day) }),
      act: awayTexts.quickAct,
      href: `/away?${query}`,
    },
  };
}

/** What a line that closes a day leads to, or which day it is asked to mean. */
function closureView(
  { day, name, closing, at }: ClosureLine,
  { term, locale }: Readonly<{ term: Term; locale: string }>,
): Partial<QuickView> {
  const clock = at && timeLabel(at);
  if (day.kind === 'ask')
    return {
      asks: [
        {
          question: day.question,
          choices: day.days.map((one) => ({
            label: dateLabel(one, 'dated', locale),
            line: closureTexts.quick(one.toString(), name, closing, clock),
          })),
        },
      ],
    };
  if (day.kind === 'unreadable') return {};
  const query = new URLSearchParams({
    day: day.day.toString(),
    name,
    ...(closing === 'whole' ? {} : { closing }),
    ...(clock ? { at: clock } : {}),
  });
  return {
    leads: {
      words: closureTexts.quick(
        weekAndDate(term, day.day, locale),
        name,
        closing,
        at && timeLabel(at, locale),
      ),
      act: closureTexts.quickAct,
      href: `/close?${query}`,
    },
  };
}

function quickContext(viewer: Viewer, plan: SeenPlan, term: Term, today: Temporal.PlainDate): QuickContext {
  const taught = plan.courses.filter(
    (course) => course.term === term.id && !course.archived && isStaffOf(viewer, course.id),
  );
  return {
    today,
    term,
    locale: plan.locale,
    courses: taught.map((course): QuickCourse => ({
      id: course.id,
      code: course.code,
      tag: course.tag,
      title: course.title,
      sections: course.sections.map(({ id, name, meetings }) => ({ id, name, classes: meetings })),
      landmarks: [
        ...plan.classes.flatMap((c) =>
          c.course.id === course.id && c.section.id === course.sections[0]?.id && c.plan
            ? [{ title: c.plan.title, date: c.meeting.date }]
            : [],
        ),
        ...plan.entries.flatMap((entry) =>
          entry.kind === 'event' && entry.audience.some((part) => part.course === course.id)
            ? [{ title: entry.title, date: dayOf(mainMoment(entry)) }]
            : [],
        ),
      ],
    })),
  };
}

/** Entries and class plans of the term, and of those beside it, whose title holds every word of the line, nearest in the order of time. */
function findOnPlan(plan: SeenPlan, term: Term, line: string): Find[] {
  const words = line
    .toLowerCase()
    .split(/[\s,]+/)
    .filter((word) => word.length > 1);
  if (words.length === 0) return [];
  const fits = (title: string) => words.every((word) => title.toLowerCase().includes(word));
  const beside = termsBeside(plan.terms, term);
  const own = new Map(
    plan.courses.filter((course) => beside.has(course.term)).map((course) => [course.id, course]),
  );
  const tagOf = new Map([...own.values()].map(({ id, tag, color }) => [id, { tag, color }]));
  const entries = plan.entries
    .filter(
      (entry) =>
        fits(entry.title) && (entry.kind === 'note' || entry.audience.some(({ course }) => own.has(course))),
    )
    .map((entry): Find => ({
      key: entry.id,
      title: entry.title,
      when: weekAndDate(term, dayOf(mainMoment(entry)), plan.locale),
      tags: entry.kind === 'note' ? [] : entry.audience.flatMap((part) => tagOf.get(part.course) ?? []),
      entry: entry.id,
    }));
  const classes = plan.classes
    .filter((c) => own.has(c.course.id) && c.plan && fits(c.plan.title))
    .map((c): Find => ({
      key: c.meeting.id,
      title: c.plan!.title,
      when: quickTexts.classFound({
        name: classTitle(c),
        day: weekAndDate(term, c.meeting.date, plan.locale),
      }),
      tags: [{ tag: c.course.tag, color: c.course.color }],
      meeting: c.meeting.id,
    }));
  return [...entries, ...classes].slice(0, MOST_FINDS);
}
