import { randomUUID } from 'node:crypto';
import { readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { Temporal } from 'temporal-polyfill';
import type { CourseId, SectionId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { likelySections } from '@/core/roster/compareRoster';
import { absencesOf, isHeldBack } from '@/core/roster/keeping';
import type { OneRosterReading } from '@/core/roster/readOneRoster';
import { refusalTexts } from '@/core/texts/refusals';
import { rosterTexts as say } from '@/core/texts/roster';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { absencesIn, noteReading, putAbsences, rosterReadings } from '@/data/people/keptRosters';
import { schoolFrame } from '../frame/schoolFrame';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Compared } from './importRoster';
import { askRosterService } from './askRosterService';
import { LARGEST_TABLE, compareWith, readingOf, takeOver } from './importRoster';
import { officeActor } from './officeActor';
import { takeOffRoster } from './membership';

const MOST_READINGS = 30;

/** What became of a course's roster: how many, nobody by name. `absent` are missing from the list and stay for now. */
export type KeptCourse = Readonly<{
  id: CourseId;
  code: string;
  added: number;
  changed: number;
  off: number;
  absent: number;
}>;

/** What a reading of the school's lists did. */
export type RosterReport = Readonly<{
  courses: readonly KeptCourse[];
  /** So many would be gone from these that somebody has to look first; nothing of them was changed. */
  held: readonly Readonly<{ id: CourseId; code: string; known: number; gone: number }>[];
  /** The lists name these, and more than one running course is called so. */
  unclear: readonly string[];
  faults: readonly string[];
  /** Why nothing could be read at all. */
  failure?: string;
}>;

/** Where the school's lists are read by themselves. */
export type RosterSource = 'folder' | 'service' | 'none';

const sourceOf = ({ config }: Pembit): RosterSource =>
  config.rosterFolder ? 'folder' : config.rosterService ? 'service' : 'none';

const NOTHING: RosterReport = { courses: [], held: [], unclear: [], faults: [] };

/** Courses that go on, in terms that are not over. */
async function runningCourses(pembit: Pembit): Promise<Course[]> {
  const { courses, terms } = await schoolFrame(pembit);
  const running = new Set(
    terms
      .filter(({ endsOn, tzid }) => Temporal.PlainDate.compare(toWall(requireZone(tzid), pembit.now()).toPlainDate(), endsOn) <= 0)
      .map(({ id }) => id),
  );
  return courses.filter(({ archived, term }) => !archived && running.has(term));
} // prettier-ignore

/**
 * Takes over what the school's lists say, course by course, each as one act: who is new, who is in another section, and, once they
 * were missing for 48 hours, who is gone. A course that would lose too many at once is left as it is, but for those in `even`.
 */
async function keep(
  pembit: Pembit,
  actor: SignedIn,
  reading: OneRosterReading,
  even: readonly CourseId[],
): Promise<RosterReport> {
  const courses: KeptCourse[] = [];
  const held: RosterReport['held'][number][] = [];
  const running = await runningCourses(pembit);
  const unclear = new Set<string>();
  for (const course of running) {
    const { id, code } = course;
    const sections = likelySections(reading.classes, course);
    if (Object.keys(sections).length === 0) continue;
    if (running.some((other) => other.id !== id && other.code === code)) {
      unclear.add(code);
      continue;
    }
    const compared = await compareWith(pembit, actor, id, reading, sections as Record<string, SectionId>);
    if (!compared.ok) continue;
    const { members } = compared.value;
    const left = goneOf(compared.value);
    const known = members.filter(({ sourcedId }) => sourcedId !== undefined).length;
    if (isHeldBack({ known, gone: left.length }) && !even.includes(id)) {
      held.push({ id, code, known, gone: left.length });
      continue;
    }
    const kept = await keepCourse(pembit, actor, compared.value);
    if (kept) courses.push(kept);
  }
  const faults = reading.faults.map(({ table, line, message }) => say.fault({ table, line, message }));
  return { courses, held, unclear: [...unclear], faults };
}

/** Who came from such a list and is not on this one; a row that cannot be read is no absence. */
const goneOf = ({ left, reading }: Compared) =>
  left.filter(({ sourcedId }) => sourcedId === undefined || !reading.unreadable.includes(sourcedId));

/** One course as its list says; what is the same every night is no act. Undefined where it could not be done. */
async function keepCourse(
  pembit: Pembit,
  actor: SignedIn,
  compared: Compared,
): Promise<KeptCourse | undefined> {
  const { id, code } = compared.course;
  const gone = goneOf(compared).map(({ person }) => person);
  const nowMs = pembit.now().epochMilliseconds;
  const { since, off } = absencesOf(await absencesIn(pembit, id), gone, nowMs);
  // Another name alone is proposed with the next change: what the office has declined would be asked anew each night.
  const isAct = off.length > 0 || compared.lines.some(({ state }) => state !== 'same');
  const taken = isAct
    ? await perform(pembit, actor, 'importRoster', async (change) => {
        // Compared anew where it is written: somebody may have changed the roster meanwhile.
        const now = await compareWith(change, actor, id, compared.reading, compared.sections);
        if (!now.ok) return now;
        const counts = await takeOver(pembit, change, actor, now.value);
        await takeOffRoster(change, id, off);
        if (off.length > 0)
          change.summarise(say.kept({ added: counts.added, changed: counts.changed, off: off.length }));
        return done(counts);
      })
    : done({ added: 0, changed: 0 });
  if (!taken.ok) return undefined;
  await pembit.queue.write((writer) => putAbsences(writer, id, since), { aside: true });
  return { id, code, ...taken.value, off: off.length, absent: since.size };
}

/** The lists of a folder of the server's: OneRoster 1.2 CSV, as the school's system leaves them there. */
const readFolder = (folder: string): Promise<Outcome<OneRosterReading>> =>
  readingOf(async (table) => {
    const file = path.join(folder, table);
    const size = await stat(file).then((found) => found.size, () => undefined); // prettier-ignore
    return size === undefined || size > LARGEST_TABLE ? undefined : readFile(file);
  });

/** Where the school's lists are: in the operator's folder, else with the school's system; undefined where neither is named. */
function listsOf(pembit: Pembit): (() => Promise<Outcome<OneRosterReading>>) | undefined {
  const { rosterFolder, rosterService } = pembit.config;
  if (rosterFolder) return () => readFolder(rosterFolder);
  return rosterService && (() => askRosterService(pembit, rosterService));
}

/** Reads lists and takes over what they say; what came of it is kept for the office to read. */
async function keepFrom(
  pembit: Pembit,
  actor: SignedIn,
  lists: () => Promise<Outcome<OneRosterReading>>,
  even: readonly CourseId[],
): Promise<RosterReport> {
  const reading = await lists();
  const report = reading.ok
    ? await keep(pembit, actor, reading.value, even)
    : { ...NOTHING, failure: reading.fields?.[0]?.message ?? refusalTexts[reading.reason] };
  const at = pembit.now().epochMilliseconds;
  const entry = { id: randomUUID(), at, report: JSON.stringify(report) };
  await pembit.queue.write((writer) => noteReading(writer, entry, MOST_READINGS), { aside: true });
  return report;
}

/** The office has the lists read now; `even` are courses in which as many may go as the list says. */
export async function readRosters(
  pembit: Pembit,
  actor: SignedIn,
  even: readonly CourseId[],
): Promise<Outcome<RosterReport>> {
  const lists = listsOf(pembit);
  if (!mayRead(actor) || !lists) return refused('notFound');
  return done(await keepFrom(pembit, actor, lists, even));
}

const mayRead = (actor: SignedIn) => actor.person.isAdmin && may(actor, 'bringTable', { parts: [] }).ok;

/** Takes lists over in the name of whoever has administered the school for longest. */
async function keepAsOffice(
  pembit: Pembit,
  lists: () => Promise<Outcome<OneRosterReading>>,
): Promise<Outcome<RosterReport>> {
  const office = await officeActor(pembit);
  return office ? done(await keepFrom(pembit, office, lists, [])) : refused('notFound');
}

/** The lists of a folder, for the operator's command. */
export const readRostersOf = (pembit: Pembit, folder: string): Promise<Outcome<RosterReport>> =>
  keepAsOffice(pembit, () => readFolder(folder));

/** Each night, where there are lists to read. */
export async function keepRosters(pembit: Pembit): Promise<void> {
  const lists = listsOf(pembit);
  if (lists) await keepAsOffice(pembit, lists);
}

/** What the last readings did, for the office; `source`: where lists are read each night, if anywhere. */
export async function rosterReports(
  pembit: Pembit,
  actor: SignedIn,
  most: number,
): Promise<Outcome<Readonly<{ source: RosterSource; readings: readonly (RosterReport & { id: string; at: string })[] }>>> {
  if (!mayRead(actor)) return refused('notFound');
  const rows = await rosterReadings(pembit, most);
  const readings = rows.map(({ id, at, report }) => ({
    id,
    at: Temporal.Instant.fromEpochMilliseconds(Number(at)).toString({ smallestUnit: 'second' }),
    ...(JSON.parse(report) as RosterReport),
  }));
  return done({ source: sourceOf(pembit), readings });
} // prettier-ignore
