import type { ListQuery } from '@/core/frame/listQuery';
import type { SeenEntry } from '@/core/entries/seenBy';
import { mainMoment } from '@/core/entries/entry';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { formatPattern } from '@/core/time/formatPattern';
import { timeLabel } from '@/core/time/dateLabels';
import { spanOfMeeting } from '@/core/time/meetings';
import { patternOn } from '@/core/time/pattern';
import { toInstant, withOffset } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Moment } from '@/core/time/zonedWall';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import { schoolFrame } from '../frame/schoolFrame';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { todayIn } from '../plan/todayIn';
import type { SignedIn } from '../session/session';
import type { PlanPart } from '@/core/entries/viewer';
import type { Listed, Page } from './page';
import type { Seen } from './seen';
import { stamp } from './seen';
import { bookingsIn, sheetsIn, slotsIn } from './timesLists';
import { pageOf, recordOf } from './page';

const written = (moment: Moment): string => {
  if (isDay(moment)) return moment.toString();
  const zone = requireZone(moment.tzid);
  return withOffset(zone, toInstant(zone, moment.wall));
};
const said = (moment: Moment | undefined) => (moment === undefined ? undefined : written(moment));
const dayText = (moment: Moment) => momentText(dayOf(moment));

const termsIn = ({ plan }: Seen) =>
  plan.terms.map(({ id, name, startsOn, endsOn, tzid, cycle }) => ({
    id,
    term: id,
    days: [momentText(startsOn), momentText(endsOn)] as const,
    record: {
      id,
      name,
      startsOn: startsOn.toString(),
      endsOn: endsOn.toString(),
      zone: tzid,
      ...(cycle ? { rotatingDays: cycle.days } : {}),
    },
  }));

const coursesIn = ({ plan }: Seen) =>
  plan.courses.map(({ id, term, code, title, tag, place, archived, staff, sections }) => ({
    id,
    term,
    courses: [id],
    record: {
      id,
      term,
      code,
      title,
      tag,
      place,
      archived,
      staff: staff.map((one) => ({ id: one.id, name: one.name, role: one.role })),
      sections: sections.map((section) => section.id),
    },
  }));

const sectionsIn = ({ plan, today }: Seen) =>
  plan.courses.flatMap((course) =>
    course.sections.map(({ id, name, patterns, firstDay, lastDay }) => ({
      id,
      term: course.term,
      courses: [course.id],
      record: {
        id,
        course: course.id,
        name,
        week: formatPattern((patternOn(patterns, today) ?? patterns[0])?.classes ?? []),
        firstDay: firstDay?.toString(),
        lastDay: lastDay?.toString(),
      },
    })),
  );

const meetingsIn = ({ plan }: Seen) =>
  plan.classes.map(({ course, section, meeting, place, plan: taught }) => {
    const tzid = plan.terms.find(({ id }) => id === course.term)?.tzid ?? 'UTC';
    const { start, end } = spanOfMeeting(meeting, tzid);
    return {
      id: meeting.id as string,
      uid: meeting.id as string,
      term: course.term,
      courses: [course.id],
      days: [dayText(start), dayText(end)] as const,
      changedMs: meeting.lastModified.epochMilliseconds,
      record: {
        id: meeting.id,
        uid: meeting.id,
        course: course.id,
        section: section.id,
        ordinal: meeting.ordinal,
        strand: meeting.strand,
        start: written(start),
        end: written(end),
        zone: tzid,
        place,
        moved: meeting.moved,
        cancelled: meeting.cancelled,
        classPlan: taught?.id,
        sequence: meeting.sequence,
        lastModified: stamp(meeting.lastModified),
      },
    };
  });

function classPlansIn({ plan, baseUrl }: Seen) {
  const taught = new Map(
    plan.classes.flatMap(({ course, plan: own }) => (own ? [[own.id, { course, own }] as const] : [])),
  );
  const seen = new Set<string>(plan.classes.map(({ meeting }) => meeting.id));
  return [...taught.values()].map(({ course, own }) => ({
    id: own.id as string,
    uid: own.id as string,
    term: course.term,
    courses: [course.id],
    changedMs: own.lastModified.epochMilliseconds,
    record: {
      id: own.id,
      course: course.id,
      title: own.title,
      description: own.description,
      links: linksOf(own.links, baseUrl),
      meetings: own.bindings.flatMap(({ meeting }) => (seen.has(meeting) ? [meeting] : [])),
      sequence: own.sequence,
      lastModified: stamp(own.lastModified),
    },
  }));
}

const linksOf = (links: readonly Readonly<{ url: string; label: string }>[], baseUrl: string) =>
  links.map(({ url, label }) => ({ url: url.startsWith('/') ? baseUrl + url : url, label }));

/** The days of an entry, by its kind. */
function datesOf(entry: SeenEntry) {
  switch (entry.kind) {
    case 'event':
      return { start: written(entry.when.start), end: said(entry.when.end), rrule: entry.recurrence?.rrule };
    case 'assignment':
      return {
        set: said(entry.setOn),
        opens: said(entry.opens),
        due: written(entry.due),
        closes: said(entry.closes),
      };
    case 'announcement':
    case 'note':
      return { start: written(entry.on) };
    default:
      return entry satisfies never;
  }
}

const entriesIn = ({ plan, baseUrl }: Seen) =>
  plan.entries.map((entry) => {
    const courses = entry.kind === 'note' ? [] : entry.audience.map(({ course }) => course);
    const term = plan.courses.find(({ id }) => courses.includes(id))?.term;
    const last = entry.kind === 'event' && entry.when.end ? entry.when.end : mainMoment(entry);
    return {
      id: entry.id as string,
      uid: entry.uid,
      kind: entry.kind,
      term,
      courses,
      // A series goes on: it is of every day after its first.
      days: [
        dayText(mainMoment(entry)),
        entry.kind === 'event' && entry.recurrence ? '9999' : dayText(last),
      ] as const,
      changedMs: entry.lastModified.epochMilliseconds,
      record: {
        id: entry.id,
        uid: entry.uid,
        kind: entry.kind,
        title: entry.title,
        description: entry.description,
        courses,
        sections: entry.kind === 'note' ? [] : entry.audience.flatMap((part) => part.sections ?? []),
        ...datesOf(entry),
        zone: entry.tzid,
        release: entry.release,
        ...(entry.kind === 'note'
          ? {}
          : { cancelled: entry.cancelled, links: linksOf(entry.links, baseUrl) }),
        ...(entry.kind === 'event' ? { place: entry.place } : {}),
        ...(entry.kind === 'assignment' ? { handIn: entry.handIn, points: entry.points } : {}),
        sequence: entry.sequence,
        created: stamp(entry.created),
        lastModified: stamp(entry.lastModified),
      },
    };
  });

const closuresIn = ({ plan }: Seen) =>
  plan.closures.map((closure) => {
    const last = closure.end.subtract({ days: 1 });
    return {
      id: closure.id as string,
      uid: closure.id as string,
      term: closure.term,
      courses: closure.course
        ? [closure.course]
        : plan.courses.filter((c) => c.term === closure.term).map(({ id }) => id),
      days: [momentText(closure.start), momentText(last)] as const,
      changedMs: closure.created.epochMilliseconds,
      record: {
        id: closure.id,
        term: closure.term,
        course: closure.course,
        sections: closure.sections,
        name: closure.name,
        firstDay: closure.start.toString(),
        lastDay: last.toString(),
        opensAt: closure.opensAt && timeLabel(closure.opensAt),
        closesAt: closure.closesAt && timeLabel(closure.closesAt),
        online: closure.online ?? false,
      },
    };
  });

const LISTS = {
  terms: termsIn,
  courses: coursesIn,
  sections: sectionsIn,
  meetings: meetingsIn,
  'class-plans': classPlansIn,
  entries: entriesIn,
  sheets: sheetsIn,
  slots: slotsIn,
  bookings: bookingsIn,
  closures: closuresIn,
} as const satisfies Readonly<Record<string, (seen: Seen) => Listed<object>[]>>;
export type ListName = keyof typeof LISTS;

/** The frame of the school as whoever administers it reads it: all terms, courses, sections and closures of the whole school. */
async function asOffice(pembit: Pembit, seen: Seen): Promise<Seen> {
  const { terms, courses, closures } = await schoolFrame(pembit);
  const known = <T extends { id: string }>(own: readonly T[], all: readonly T[]) => [
    ...own,
    ...all.filter(({ id }) => !own.some((one) => one.id === id)),
  ];
  const { plan } = seen;
  return {
    ...seen,
    plan: {
      ...plan,
      terms: known(plan.terms, terms),
      courses: known(plan.courses, courses),
      closures: known(plan.closures, closures),
    },
  };
}

const OFFICE: readonly ListName[] = ['terms', 'courses', 'sections', 'closures'];

/** To which part of a plan a list belongs. Notes stand among the entries, by what their reader reads. */
export const LIST_PARTS = {
  terms: 'plan',
  courses: 'plan',
  sections: 'plan',
  meetings: 'plan',
  'class-plans': 'plan',
  entries: 'plan',
  closures: 'plan',
  sheets: 'hours',
  slots: 'hours',
  bookings: 'hours',
} as const satisfies Readonly<Record<ListName, PlanPart>>;

type RecordOf<N extends ListName> = ReturnType<(typeof LISTS)[N]>[number]['record'];

/** A list, as whoever asks sees it. */
export async function listed<N extends ListName>(
  pembit: Pembit,
  actor: SignedIn,
  name: N,
): Promise<readonly Listed<RecordOf<N>>[]> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const own: Seen = { plan, baseUrl: pembit.config.baseUrl, today: todayIn(pembit, plan) };
  const seen = actor.person.isAdmin && OFFICE.includes(name) ? await asOffice(pembit, own) : own;
  return LISTS[name](seen) as readonly Listed<RecordOf<N>>[];
}

/** A page of it. */
export const listPage = async <N extends ListName>(
  pembit: Pembit,
  actor: SignedIn,
  name: N,
  query: ListQuery,
): Promise<Outcome<Page<RecordOf<N>>>> => done(pageOf(await listed(pembit, actor, name), query));

/** One of it; what is not seen is not there. */
export const oneListed = async <N extends ListName>(
  pembit: Pembit,
  actor: SignedIn,
  name: N,
  id: string,
): Promise<Outcome<RecordOf<N>>> => recordOf(await listed(pembit, actor, name), id);
