import { coursesOf, isStaffOf } from '@/core/entries/viewer';
import type { CourseId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import type { Viewer } from '@/core/entries/viewer';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { withOffset, toInstant } from '@/core/time/zone';
import type { Moment } from '@/core/time/zonedWall';
import { isDay } from '@/core/time/zonedWall';
import type { Temporal } from 'temporal-polyfill';
import { asWanted, settingsOf } from '../students/settings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { nextBoundary } from '@/core/plan/nextBoundary';
import { keptReads } from '../keptRead';
import { keptPlan, scopesOf } from './keptPlan';

/**
 * The plan of all courses a viewer has to do with, as that viewer may see it. `notes` is false while staff look as somebody
 * else: private notes are their author's alone.
 */
export async function planSeenBy(
  pembit: Pembit,
  viewer: Viewer,
  { notes = true }: { notes?: boolean } = {},
): Promise<SeenPlan> {
  const author = notes && viewer.kind === 'person' ? viewer.id : undefined;
  const now = pembit.now();
  const see = async (): Promise<Seen> => {
    const plan = await keptPlan(pembit, coursesOf(viewer), author);
    const seen = seenPlan(viewer, plan, now);
    const [fromMs, untilMs] = [now.epochMilliseconds, nextBoundary(plan, now)];
    return { plan: author ? asWanted(seen, await settingsOf(pembit, author)) : seen, fromMs, untilMs };
  };
  if (viewer.kind !== 'person') return (await see()).plan;
  const scopes = scopesOf(coursesOf(viewer), viewer.id);
  return (await keptSeen(pembit, `${author ?? ''} ${viewerKey(viewer)}`, see, scopes)).plan;
}

/** A plan as somebody sees it, and from when until when time alone changes nothing of that. */
type Seen = Readonly<{ plan: SeenPlan; fromMs: number; untilMs: number }>;

const keptSeen = keptReads<Seen>(32, (pembit, { fromMs, untilMs }) => {
  const nowMs = pembit.now().epochMilliseconds;
  return fromMs <= nowMs && nowMs < untilMs;
});

/** All that a person sees by, as text: reads that are kept for somebody are kept for as much as they see. */
export const viewerKey = ({
  id,
  staffOf,
  helps,
  memberOf,
  groups,
  reads,
}: Extract<Viewer, { kind: 'person' }>): string => {
  const help = [...helps].map(([course, { role, sections, since }]) => [course, role, sections && [...sections].sort(), since?.epochMilliseconds]); // prettier-ignore
  return JSON.stringify([
    id,
    [...staffOf].sort(),
    help.sort(),
    [...memberOf].sort(),
    [...groups].sort(),
    reads && [...reads],
  ]);
};

/** Everything planned in one course, unfiltered: for its own staff alone, undefined for anybody else. */
export async function wholePlanOf(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
): Promise<Plan | undefined> {
  return isStaffOf(actor.viewer, course) ? keptPlan(pembit, [course]) : undefined;
}

export type OccurrenceRecord = Readonly<{
  uid: string;
  recurrenceId?: string;
  kind: Exclude<Occurrence['kind'], 'siteDate'>;
  title: string;
  start: string;
  end?: string;
  allDay: boolean;
  zone: string;
  courses: readonly string[];
  /** Called off: the reason, which may be empty. */
  cancelled?: string;
  /** The id of the entry, of the class, or of the sheet of times. */
  entry?: string;
  meeting?: string;
  sheet?: string;
  place?: string;
  links?: readonly Readonly<{ url: string; label: string }>[];
}>;

/** What a viewer sees from one day to another, both included, expanded: the records of `/api/occurrences`. */
export async function occurrenceRecords(
  pembit: Pembit,
  viewer: Viewer,
  range: { from: Temporal.PlainDate; to: Temporal.PlainDate },
): Promise<OccurrenceRecord[]> {
  const plan = await planSeenBy(pembit, viewer);
  const { baseUrl } = pembit.config;
  const codeOf = new Map(plan.courses.map((course) => [course.id, course.code]));
  const written = (moment: Moment) =>
    isDay(moment)
      ? moment.toString()
      : withOffset(requireZone(moment.tzid), toInstant(requireZone(moment.tzid), moment.wall));
  return touching(occurrencesOf(plan, requireZone))(range.from, range.to).map((o) => ({
    uid: o.uid,
    kind: o.kind === 'siteDate' ? 'event' : o.kind,
    title: o.title,
    start: written(o.start),
    end: o.end && written(o.end),
    allDay: isDay(o.start),
    zone: o.tzid,
    courses: o.courses.flatMap((id) => codeOf.get(id) ?? []),
    cancelled: o.cancelled,
    recurrenceId: o.recurrenceId && written(o.recurrenceId),
    entry: 'entry' in o ? o.entry : undefined,
    meeting: o.kind === 'class' ? o.meeting : undefined,
    sheet: 'sheet' in o ? o.sheet : undefined,
    place: 'place' in o && o.place !== '' ? o.place : undefined,
    links:
      'links' in o && o.links.length > 0
        ? o.links.map(({ url, label }) => ({ url: url.startsWith('/') ? baseUrl + url : url, label }))
        : undefined,
  }));
}
