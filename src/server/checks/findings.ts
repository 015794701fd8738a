import { findAll } from '@/core/checks/allChecks';
import type { CheckInput, CheckedEntry, Enrolled, Finding } from '@/core/checks/check';
import { findingKey, fingerprint } from '@/core/checks/check';
import { checkedPeople } from '@/core/checks/checkedPeople';
import type { Viewer } from '@/core/entries/viewer';
import { isStaffOf } from '@/core/entries/viewer';
import type { CourseId, GroupId, PersonId, SectionId } from '@/core/ids';
import { addressesOf } from '@/core/links/usedLinks';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { currentTerm } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import { groupBy } from '@/core/groupBy';
import type { Dismissal } from '@/data/checks/dismissals';
import { dismissals } from '@/data/checks/dismissals';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { linkTestsOf } from '@/data/links/linkTests';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { todayIn } from '../plan/todayIn';
import type { SignedIn } from '../session/session';

export type Findings = Readonly<{
  open: readonly Finding[];
  dismissed: readonly Readonly<{ finding: Finding; dismissal: Dismissal }>[];
}>;

const NONE: Findings = { open: [], dismissed: [] };

async function enrolledIn(reader: Reader, courses: readonly CourseId[]): Promise<Enrolled[]> {
  if (courses.length === 0) return [];
  const [roster, members] = await Promise.all([
    select<{ course: CourseId; person: PersonId; section: SectionId | null }>(
      reader,
      'SELECT course_id AS course, person_id AS person, section_id AS section FROM roster WHERE course_id IN (:courses)',
      { courses },
    ),
    select<{ person: PersonId; grp: GroupId }>(
      reader,
      `SELECT person_id AS person, group_id AS grp FROM group_members
       WHERE group_id IN (SELECT id FROM course_groups WHERE course_id IN (:courses))`,
      { courses },
    ),
  ]);
  const groupsOf = groupBy(members, ({ person }) => person);
  return roster.map(({ course, person, section }) => ({
    course,
    person,
    section: section ?? undefined,
    groups: (groupsOf.get(person) ?? []).map(({ grp }) => grp),
  }));
}

/** What the checks look at: what a viewer teaches in the present term; undefined for whoever teaches nothing. */
export async function checkInput(
  pembit: Pembit,
  viewer: Viewer,
  plan: SeenPlan,
): Promise<CheckInput | undefined> {
  const today = todayIn(pembit, plan);
  const term = currentTerm(plan.terms, today);
  const courses = plan.courses.filter(
    (course) => course.term === term?.id && !course.archived && isStaffOf(viewer, course.id),
  );
  if (!term || courses.length === 0) return undefined;
  const own = new Set(courses.map((course) => course.id));
  const entries = plan.entries.filter(
    (entry): entry is CheckedEntry =>
      entry.kind !== 'note' && entry.asStaff && entry.audience.some((part) => own.has(part.course)),
  );
  const classes = plan.classes.filter((seen) => own.has(seen.course.id));
  const urls = [...entries, ...classes.flatMap((seen) => seen.plan ?? [])].flatMap(addressesOf);
  const [enrolled, linkTests] = await Promise.all([enrolledIn(pembit, [...own]), linkTestsOf(pembit, urls)]);
  return {
    term,
    courses,
    today,
    closures: plan.closures.filter((closure) => closure.term === term.id),
    entries,
    classes,
    linkTests,
    peopleOf: checkedPeople(enrolled),
    zoneOf: requireZone,
    locale: plan.locale,
  };
}

type Kept = Readonly<{ key: string; findings: Promise<Findings> }>;
const MOST = 60;
const keptBy = new WeakMap<Pembit['queue'], Map<PersonId, Kept>>();

/** What the checks find in what somebody teaches, kept for a minute as long as nothing is written. */
export function findingsOf(pembit: Pembit, actor: SignedIn): Promise<Findings> {
  if (actor.viewer.staffOf.size === 0) return Promise.resolve(NONE);
  const kept = keptBy.get(pembit.queue) ?? new Map<PersonId, Kept>();
  keptBy.set(pembit.queue, kept);
  const minute = Math.floor(pembit.now().epochMilliseconds / 60_000);
  const key = `${pembit.queue.version()} ${minute}`;
  const known = kept.get(actor.person.id);
  if (known?.key === key) return known.findings;
  const findings = findAnew(pembit, actor);
  findings.catch(() => kept.delete(actor.person.id));
  if (kept.size >= MOST) kept.clear();
  kept.set(actor.person.id, { key, findings });
  return findings;
}

async function findAnew(pembit: Pembit, actor: SignedIn): Promise<Findings> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const input = await checkInput(pembit, actor.viewer, plan);
  if (!input) return NONE;
  const known = new Map((await dismissals(pembit)).map((dismissal) => [dismissal.finding, dismissal]));
  const all = findAll(input).map((finding) => {
    const dismissal = known.get(findingKey(finding));
    return { finding, dismissal: dismissal?.fingerprint === fingerprint(finding) ? dismissal : undefined };
  });
  return {
    open: all.flatMap(({ finding, dismissal }) => (dismissal ? [] : [finding])),
    dismissed: all.flatMap(({ finding, dismissal }) => (dismissal ? [{ finding, dismissal }] : [])),
  };
}
