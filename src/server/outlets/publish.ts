import { randomUUID } from 'node:crypto';
import type { CourseId, FileId, OutletId, SectionId } from '@/core/ids';
import type { Outlet, PublishedOutlet } from '@/core/outlets/outlet';
import { PERSONAL_DEFAULTS } from '@/core/outlets/outlet';
import type { OutletInput, PersonalFeedInput } from '@/core/outlets/outletInput';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { publishTexts } from '@/core/texts/publish';
import { historyTexts } from '@/core/texts/history';
import type { Course, Plan } from '@/core/plan/plan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { calendarsOf } from '@/data/outside/calendars';
import {
  insertGoneAddress,
  insertOutlet,
  outletById,
  outletsOf,
  removeOutlet,
  replaceOutlet,
} from '@/data/outlets/outlets';
import type { Person } from '@/data/people/people';
import { loadFrame } from '@/data/plan/loadPlan';
import { keptPlan } from '../plan/keptPlan';
import { openFiles } from './openFiles';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { outletToken, tokenHash } from './token';

export type Addressed<T extends Outlet = Outlet> = T & Readonly<{ url: string }>;

/** The address people keep: `/feeds/TOKEN.ics` or `/embed/TOKEN`. */
export function outletUrl(pembit: Pick<Pembit, 'config' | 'secret'>, outlet: Outlet): string {
  const token = outletToken(pembit.secret, outlet.id, outlet.generation);
  const { baseUrl } = pembit.config;
  return outlet.kind === 'feed' ? `${baseUrl}/feeds/${token}.ics` : `${baseUrl}/embed/${token}`;
}

const withUrl = <T extends Outlet>(pembit: Pembit, outlet: T): Addressed<T> => ({
  ...outlet,
  url: outletUrl(pembit, outlet),
});

/** By which the database finds the outlet of an address. */
export const outletHash = (pembit: Pick<Pembit, 'secret'>, { id, generation }: Outlet): string =>
  tokenHash(outletToken(pembit.secret, id, generation));

/** The sections of some courses: whose classes an outlet holds unless it says otherwise. */
export const sectionsOf = (courses: readonly Pick<Course, 'sections'>[]): SectionId[] =>
  courses.flatMap((course) => course.sections.map((section) => section.id));

type Composed = OutletInput & Readonly<{ sections: readonly SectionId[]; files: boolean; places: boolean }>;

/** Whether rooms and names of sections are in what anyone may read, unless they are unticked. */
export const placesArePublic = async (reader: Reader): Promise<boolean> =>
  (await schoolSettings(reader)).students === 'adults';

/** What is not said of an outlet: all sections, files for the students of the course, rooms where they endanger nobody. */
function withDefaults(
  input: OutletInput,
  courses: readonly Pick<Course, 'sections'>[],
  placesInPublic: boolean,
): Composed {
  const sections = input.sections ?? sectionsOf(courses);
  const files = input.files ?? input.audience === 'roster';
  const places = input.places ?? (input.audience === 'roster' || placesInPublic);
  return { ...input, sections, files, places };
}

/** An outlet that is only being composed. */
export async function asComposed(
  pembit: Pembit,
  { person }: SignedIn,
  input: OutletInput,
  { courses }: Pick<Plan, 'courses'>,
): Promise<PublishedOutlet> {
  return {
    ...withDefaults(input, courses, await placesArePublic(pembit)),
    id: 'preview' as OutletId,
    owner: person.id,
    generation: 0,
  };
}

/** What somebody would publish, or what is wrong with it: courses of others, sections and calendars of none of the courses. */
async function composedOf(change: Change, actor: SignedIn, input: OutletInput): Promise<Outcome<Composed>> {
  if (!input.courses.every((course) => mayIn(actor, 'publish', course))) return refused('notYours');
  const { courses, terms } = await loadFrame(change, input.courses);
  const all = sectionsOf(courses);
  const composed = withDefaults(input, courses, await placesArePublic(change));
  const bad = (field: string, message: string) => refused('badRequest', [{ field, message }]);
  if (!composed.sections.every((section) => all.includes(section)))
    return bad('sections', publishTexts.noSuchSection);
  const beside = await calendarsOf(change, { terms: terms.map((term) => term.id), courses: input.courses });
  const open = new Set(beside.filter((c) => c.seenBy === 'everyone').map((calendar) => calendar.id));
  if (!input.calendars.every((calendar) => open.has(calendar)))
    return bad('calendars', publishTexts.noSuchCalendar);
  if (input.look.view === 'entry' && !input.look.entry) return bad('look.entry', publishTexts.chooseEntry);
  return done(composed);
}

/** The files that anyone could open by what is being composed. */
async function openedBy(pembit: Pembit, actor: SignedIn, input: OutletInput): Promise<FileId[]> {
  if (input.audience !== 'public' || !input.files) return [];
  if (!input.courses.every((course) => mayIn(actor, 'publish', course))) return [];
  const plan = await keptPlan(pembit, input.courses);
  const outlet = await asComposed(pembit, actor, input, plan);
  const viewer = outletViewer(outlet, actor.viewer);
  const contents = outletContents(outlet, viewer, plan, pembit.now());
  return [...(await openFiles(pembit, { outlet, viewer, contents })).files.keys()];
}

/** An instructor publishes courses they teach, under an address that nobody can guess. */
export async function publish(
  pembit: Pembit,
  actor: SignedIn,
  input: OutletInput,
): Promise<Outcome<Addressed<PublishedOutlet>>> {
  const opened = await openedBy(pembit, actor, input);
  return perform(pembit, actor, 'publish', async (change) => {
    const composed = await composedOf(change, actor, input);
    if (!composed.ok) return composed;
    const outlet = {
      ...composed.value,
      opened,
      id: randomUUID() as OutletId,
      owner: actor.person.id,
      generation: 1,
    };
    await insertOutlet(change, outlet, outletHash(pembit, outlet));
    change.summarise(historyTexts.published({ name: outlet.name }));
    return done(withUrl(pembit, outlet));
  });
}

/**
 * An outlet that somebody may change: their own, as long as they teach any of its courses, or one that holds nothing but
 * courses they teach.
 */
export async function changeable(reader: Reader, actor: SignedIn, id: OutletId): Promise<Outcome<Outlet>> {
  const outlet = await outletById(reader, id);
  if (!outlet) return refused('notFound');
  const own = outlet.owner === actor.person.id;
  const teaches = (course: CourseId) => mayIn(actor, 'changeOutlet', course);
  const may =
    outlet.audience === 'personal' ? own : own ? outlet.courses.some(teaches) : outlet.courses.every(teaches);
  return may ? done(outlet) : refused('notFound');
}

/** One that somebody may change, with its address. */
export async function outletFor(pembit: Pembit, actor: SignedIn, id: OutletId): Promise<Outcome<Addressed>> {
  const found = await changeable(pembit, actor, id);
  return found.ok ? done(withUrl(pembit, found.value)) : found;
}

/** Changes what an outlet holds, who may read it and how it looks; its address stays, so another term's course can take its place. */
export async function changeOutlet(
  pembit: Pembit,
  actor: SignedIn,
  id: OutletId,
  input: OutletInput,
): Promise<Outcome<Addressed>> {
  const opened = await openedBy(pembit, actor, input);
  return perform(pembit, actor, 'changeOutlet', async (change): Promise<Outcome<Addressed>> => {
    const found = await changeable(change, actor, id);
    if (!found.ok) return found;
    const before = found.value;
    // An address that people keep does not turn from a file into a page.
    if (before.audience === 'personal' || before.kind !== input.kind) return refused('notFound');
    const composed = await composedOf(change, actor, input);
    if (!composed.ok) return composed;
    const after = { ...composed.value, opened, id, owner: before.owner, generation: before.generation };
    await replaceOutlet(change, before, after, outletHash(pembit, after));
    change.summarise(historyTexts.changedOutlet({ name: after.name }));
    return done(withUrl(pembit, after));
  });
}

/** Chooses what is in one's personal feed. */
export function changePersonalFeed(
  pembit: Pembit,
  actor: SignedIn,
  input: PersonalFeedInput,
): Promise<Outcome<Addressed>> {
  return perform(pembit, actor, 'changeOutlet', async (change): Promise<Outcome<Addressed>> => {
    const own = (await outletsOf(change, actor.person.id, new Set())).find((o) => o.audience === 'personal');
    if (!own) return refused('notFound');
    const { id, kind, name, owner, generation } = own;
    const after: Outlet = { id, kind, name, owner, generation, audience: 'personal', ...input };
    await replaceOutlet(change, own, after, outletHash(pembit, after));
    change.summarise(historyTexts.changedOutlet({ name }));
    return done(withUrl(pembit, after));
  });
}

/** Gives an outlet another address. The old one says so for 30 days, and then nothing. */
export function replaceAddress(pembit: Pembit, actor: SignedIn, id: OutletId): Promise<Outcome<Addressed>> {
  return perform(pembit, actor, 'replaceAddress', async (change): Promise<Outcome<Addressed>> => {
    const found = await changeable(change, actor, id);
    if (!found.ok) return found;
    const before = found.value;
    const after = { ...before, generation: before.generation + 1 };
    await insertGoneAddress(change, before, { tokenHash: outletHash(pembit, before), replaced: true });
    await replaceOutlet(change, before, after, outletHash(pembit, after));
    change.summarise(historyTexts.replacedAddress({ name: before.name }));
    return done(withUrl(pembit, after));
  });
}

/** Takes an outlet away. A personal feed stays as long as its owner does: its address can be replaced. */
export function deleteOutlet(pembit: Pembit, actor: SignedIn, id: OutletId): Promise<Outcome<Outlet>> {
  return perform(pembit, actor, 'deleteOutlet', async (change) => {
    const found = await changeable(change, actor, id);
    if (!found.ok || found.value.audience === 'personal') return refused('notFound');
    const outlet = found.value;
    await removeOutlet(change, outlet);
    await insertGoneAddress(change, outlet, { tokenHash: outletHash(pembit, outlet), replaced: false });
    change.summarise(historyTexts.deletedOutlet({ name: outlet.name }));
    return found;
  });
}

/** What a person publishes, owns or may change; their one personal feed is made when it is first asked for. */
export async function outletsFor(pembit: Pembit, { person, viewer }: SignedIn): Promise<Addressed[]> {
  const outlets = await outletsOf(pembit, person.id, viewer.staffOf);
  if (outlets.some((outlet) => outlet.audience === 'personal'))
    return outlets.map((outlet) => withUrl(pembit, outlet));
  await personalFeedOf(pembit, person);
  return (await outletsOf(pembit, person.id, viewer.staffOf)).map((outlet) => withUrl(pembit, outlet));
}

/** Somebody's own feed, made where there is none yet. */
export async function personalFeedOf(
  pembit: Pembit,
  person: Pick<Person, 'id' | 'name'>,
): Promise<Addressed> {
  const act = {
    act: 'makePersonalFeed',
    summary: '',
    actor: person.id,
    nowMs: pembit.now().epochMilliseconds,
  };
  const { result } = await recordChange(pembit.queue, act, async (change) => {
    // Two tabs may ask at once: the second finds the first one's.
    const known = (await outletsOf(change, person.id, new Set())).find((o) => o.audience === 'personal');
    if (known) return known;
    const outlet: Outlet = {
      ...PERSONAL_DEFAULTS,
      id: randomUUID() as OutletId,
      kind: 'feed',
      audience: 'personal',
      name: publishTexts.personalName({ name: person.name }),
      owner: person.id,
      generation: 1,
    };
    await insertOutlet(change, outlet, outletHash(pembit, outlet));
    return outlet;
  });
  return withUrl(pembit, result);
}
