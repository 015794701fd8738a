import { Temporal } from 'temporal-polyfill';
import { findAll } from '@/core/checks/allChecks';
import type { CheckInput, CheckedCalendar, CheckedEntry, CheckedOutlet, Finding } from '@/core/checks/check';
import { findingKey, fingerprint } from '@/core/checks/check';
import { roomName, roomsOf } from '@/core/checks/roomClash';
import { checkedPeople } from '@/core/checks/checkedPeople';
import type { Viewer } from '@/core/entries/viewer';
import { coursesOf, isStaffOf } from '@/core/entries/viewer';
import type { CourseId, TermId } from '@/core/ids';
import { addressesOf } from '@/core/links/usedLinks';
import { fileOfAddress } from '@/core/materials/fileOfAddress';
import type { LinkedFile } from '@/core/materials/shownInPlace';
import type { PublishedOutlet } from '@/core/outlets/outlet';
import { soundsClosed } from '@/core/outside/soundsClosed';
import type { OutletContents } from '@/core/outlets/outletContents';
import { countKinds, emptyKinds } from '@/core/outlets/heldKinds';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import type { Plan } from '@/core/plan/plan';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { seenPlan } from '@/core/plan/seenPlan';
import { shownTerm } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import type { Dismissal } from '@/data/checks/dismissals';
import { dismissals } from '@/data/checks/dismissals';
import type { Reader } from '@/data/reader';
import { calendarStates } from '@/data/outside/calendars';
import { outletsOf } from '@/data/outlets/outlets';
import { enrolledIn } from '@/data/people/enrolment';
import { takenRooms } from '@/data/plan/takenRooms';
import { filesById } from '@/data/materials/files';
import { linkTestsOf } from '@/data/links/linkTests';
import { openFiles } from '../outlets/openFiles';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import { keptPlan } from '../plan/keptPlan';
import { planSeenBy, viewerKey } from '../plan/planSeenBy';
import { todayIn } from '../plan/todayIn';
import type { SignedIn } from '../session/session';

export type Findings = Readonly<{
  open: readonly Finding[];
  dismissed: readonly Readonly<{ finding: Finding; dismissal: Dismissal }>[];
}>;

const NONE: Findings = { open: [], dismissed: [] };

/** What the checks look at: what a viewer teaches in the term that is looked at; undefined for whoever teaches nothing. */
export async function checkInput(
  pembit: Pembit,
  viewer: Viewer,
  plan: SeenPlan,
  chosen?: string,
): Promise<CheckInput | undefined> {
  const today = todayIn(pembit, plan);
  const term = shownTerm(plan.terms, today, chosen);
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
  const places = [...new Set(roomsOf(classes).map(({ place }) => roomName(place)))];
  const [enrolled, linkTests, files, taken] = await Promise.all([
    enrolledIn(pembit, [...own]),
    linkTestsOf(pembit, urls),
    linkedFiles(
      pembit,
      [...entries, ...classes.flatMap((seen) => seen.plan ?? [])].flatMap(({ links }) => links),
    ),
    takenRooms(pembit, { term: term.id, except: [...own], from: today, places }),
  ]);
  return {
    term,
    courses,
    today,
    now: pembit.now(),
    outlets: await checkedOutlets(pembit, viewer),
    calendars: await checkedCalendars(pembit, plan, own),
    closures: plan.closures.filter((closure) => closure.term === term.id),
    entries,
    classes,
    taken,
    linkTests,
    files,
    peopleOf: checkedPeople(enrolled),
    zoneOf: requireZone,
    locale: plan.locale,
  };
}

/** What somebody publishes, with how many things it holds now. */
async function checkedOutlets(pembit: Pembit, viewer: Viewer): Promise<CheckedOutlet[]> {
  if (viewer.kind !== 'person') return [];
  const outlets = await outletsOf(pembit, viewer.id, viewer.staffOf);
  const now = pembit.now();
  const own = coursesOf(viewer);
  // The plan that this page has read anyway; an outlet of a course that one teaches no more is read by itself.
  const plan = await keptPlan(pembit, own, viewer.id);
  return Promise.all(
    outlets
      .flatMap((outlet) => (outlet.audience === 'personal' ? [] : [outlet]))
      .map(async (outlet) => {
        const known = outlet.courses.every((course) => own.includes(course));
        const whole = known ? plan : await keptPlan(pembit, outlet.courses);
        const contents = outletContents(outlet, outletViewer(outlet, viewer), whole, now);
        const shown = countKinds(seenPlan(viewer, ofCourses(whole, outlet.courses), now));
        return {
          ...outlet,
          holds: holdings(contents),
          lacks: emptyKinds(contents).filter((kind) => shown[kind] > 0),
          added: await addedTo(pembit, outlet, { viewer: outletViewer(outlet, viewer), contents }),
        };
      }),
  );
}

/** The names of the files that a public outlet opens by now, and did not when it was composed. */
async function addedTo(
  pembit: Pembit,
  outlet: PublishedOutlet,
  { viewer, contents }: Readonly<{ viewer: Viewer; contents: OutletContents }>,
): Promise<string[]> {
  const { audience, opened } = outlet;
  if (audience !== 'public' || !opened) return [];
  const { files } = await openFiles(pembit, { outlet, viewer, contents });
  return [...files.values()].filter(({ id }) => !opened.includes(id)).map(({ name }) => name);
}

/** The uploaded files that links lead to, by address. */
async function linkedFiles(
  reader: Reader,
  links: readonly Readonly<{ url: string }>[],
): Promise<ReadonlyMap<string, LinkedFile>> {
  const ids = new Map(links.flatMap(({ url }) => {
    const id = fileOfAddress(url);
    return id ? [[url, id] as const] : [];
  }));
  const found = new Map((await filesById(reader, [...new Set(ids.values())])).map((file) => [file.id, file]));
  return new Map([...ids].flatMap(([url, id]) => {
    const file = found.get(id);
    return file ? [[url, file] as const] : [];
  }));
} // prettier-ignore

/** A plan with nothing but what some courses hold. */
const ofCourses = (plan: Plan, ids: readonly CourseId[]): Plan => {
  const isOf = ({ audience }: Readonly<{ audience: readonly { course: CourseId }[] }>) =>
    audience.some(({ course }) => ids.includes(course));
  return {
    ...plan,
    courses: plan.courses.filter(({ id }) => ids.includes(id)),
    entries: plan.entries.filter((entry) => entry.kind !== 'note' && isOf(entry)),
    sheets: plan.sheets.filter(isOf),
  };
};

/** How many things an outlet holds, whatever their number of days. */
const holdings = ({ plan, has }: OutletContents): number =>
  (has('class') ? plan.classes.length : 0) +
  (has('times') ? plan.sheets.length : 0) +
  plan.calendars.reduce((sum, calendar) => sum + calendar.times.length, 0) +
  plan.entries.filter(({ kind }) => (kind === 'assignment' ? has('due') || has('set') : has(kind))).length;

async function checkedCalendars(
  pembit: Pembit,
  plan: SeenPlan,
  own: ReadonlySet<CourseId>,
): Promise<CheckedCalendar[]> {
  const taught = plan.calendars.filter((calendar) => calendar.asStaff);
  const states = await calendarStates(pembit, taught.map(({ id }) => id)); // prettier-ignore
  return taught.map(({ id, name, beside, times }) => {
    const failing = states.get(id)?.failingSince;
    return {
      id,
      name,
      courses: beside.filter((course) => own.has(course)),
      saysClosed: soundsClosed(times),
      ...(failing === undefined ? {} : { failingSince: Temporal.Instant.fromEpochMilliseconds(failing) }),
    };
  });
}

const kept = keptReads<Findings>(60);

/** What the checks find in what somebody teaches, in the chosen term or the current one; kept for a minute as long as nothing is written. */
export async function findingsOf(pembit: Pembit, actor: SignedIn, chosen?: string): Promise<Findings> {
  if (actor.viewer.staffOf.size === 0) return NONE;
  const minute = Math.floor(pembit.now().epochMilliseconds / 60_000);
  const plan = await planSeenBy(pembit, actor.viewer);
  const term = shownTerm(plan.terms, todayIn(pembit, plan), chosen);
  if (!term) return NONE;
  return kept(pembit, `${viewerKey(actor.viewer)} ${term.id} ${minute}`, () =>
    findAnew(pembit, actor, plan, term.id),
  );
}

async function findAnew(pembit: Pembit, actor: SignedIn, plan: SeenPlan, term: TermId): Promise<Findings> {
  const input = await checkInput(pembit, actor.viewer, plan, term);
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
