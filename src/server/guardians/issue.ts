import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { Guardian, GuardianState } from '@/core/guardians/guardian';
import { guardianState, isAdult } from '@/core/guardians/guardian';
import type { GuardianInput } from '@/core/guardians/guardianInput';
import type { PersonId } from '@/core/ids';
import type { Act } from '@/core/may/acts';
import { may, mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { guardianTexts as say } from '@/core/texts/guardians';
import { momentLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { toWall, zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import {
  agreeAsAdult,
  endGuardian,
  guardianById,
  guardianReads,
  guardiansOf,
  insertGuardian,
  isMarkedMinor,
  markMinor,
  replaceGuardian,
} from '@/data/guardians/guardians';
import { noteInOffice } from '@/data/people/officeLog';
import { personById } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { readingOf } from '../students/reading';
import { guardianHash, guardianUrls } from './guardianAddress';

/** So many addresses of one child are open at once. */
const MOST = 6;

/** Whether somebody decides alone, by what the school says of its students and of them. */
export async function isAdultHere(reader: Reader, person: PersonId): Promise<boolean> {
  const { students } = await schoolSettings(reader);
  return isAdult(students, students === 'mixed' && (await isMarkedMinor(reader, person)));
}

/** How a guardian's address stands now: by the child's age, and by the terms of the child's courses. */
export async function stateOf(pembit: Pembit, guardian: Guardian): Promise<GuardianState> {
  const { viewer } = await keptPerson(pembit, guardian.child);
  const [adult, { terms, courses }] = await Promise.all([
    isAdultHere(pembit, guardian.child),
    planSeenBy(pembit, viewer, { notes: false }),
  ]);
  const own = terms.filter(({ id }) => courses.some(({ term, id: course }) => term === id && viewer.memberOf.has(course)));
  const today = toWall(requireZone(own[0]?.tzid ?? 'UTC'), pembit.now()).toPlainDate();
  return guardianState(guardian, { adult, terms: own, today });
} // prettier-ignore

/** Whether somebody may do an act about a child's guardians. */
const mayFor = (actor: SignedIn, act: Act, child: PersonId): boolean =>
  may(actor, act, { parts: [], owner: child }).ok;

const sameName = (a: string, b: string) => a.trim().toLocaleLowerCase() === b.trim().toLocaleLowerCase();

/**
 * Issues an address: an adult's by the student alone, a minor's by the student or the office. Whom the office has barred gets
 * none; why stays with the office.
 */
export async function issueGuardian(
  pembit: Pembit,
  actor: SignedIn,
  { child = actor.person.id, name, shows }: GuardianInput,
): Promise<Outcome<{ id: string; name: string }>> {
  const own = child === actor.person.id;
  const adult = await isAdultHere(pembit, child);
  if (!mayFor(actor, 'issueGuardian', child)) return refused('notFound');
  const person = await personById(pembit, child);
  const { viewer } = await keptPerson(pembit, child);
  if (!person || viewer.memberOf.size === 0) return refused('notFound');
  const bad = (message: string) => refused('badRequest', [{ field: 'name', message }]);
  if (!own && adult) return bad(say.adultsOwn);
  const id = randomUUID();
  return pembit.queue.write(
    async (writer) => {
      const all = await guardiansOf(writer, child);
      if (all.some((one) => one.barred !== undefined && sameName(one.name, name))) return bad(say.cannot);
      if (all.filter(({ ended }) => !ended).length >= MOST) return bad(say.tooMany);
      const hash = guardianHash(pembit, { id, generation: 0 });
      const atMs = pembit.now().epochMilliseconds;
      await insertGuardian(writer, { id, child, name, issuedBy: actor.person.id, byOffice: !own, asAdult: own && adult, shows, hash, atMs });
      if (!own) await noteInOffice({ ...writer, nowMs: atMs }, { act: 'guardian', actor: actor.person.id, person: child, detail: 'issued' });
      return done({ id, name });
    },
    { aside: true },
  );
} // prettier-ignore

type Held = Readonly<{ guardian: Guardian; own: boolean; adult: boolean }>;

/** An address that somebody may end or replace: the child, and the office. */
async function held(pembit: Pembit, actor: SignedIn, id: string): Promise<Held | undefined> {
  const guardian = await guardianById(pembit, id);
  const own = guardian?.child === actor.person.id;
  if (!guardian || !mayFor(actor, 'endGuardian', guardian.child)) return undefined;
  return { guardian, own, adult: await isAdultHere(pembit, guardian.child) };
}

/** Ends an address at once. `bar`: why the office lets nobody of this name have one again. */
export async function endGuardianAddress(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  { bar }: Readonly<{ bar?: string }>,
): Promise<Outcome<{ name: string }>> {
  const found = await held(pembit, actor, id);
  if (!found || (bar && !mayOffice(actor, 'barGuardian'))) return refused('notFound');
  const atMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(async (writer) => {
    await endGuardian(writer, id, { atMs, ...(bar ? { barred: bar } : {}) });
    if (!found.own) await noteInOffice({ ...writer, nowMs: atMs }, { act: 'guardian', actor: actor.person.id, person: found.guardian.child, detail: bar ? 'barred' : 'ended' });
  });
  return done({ name: found.guardian.name });
} // prettier-ignore

/** Gives a guardian another address; those of the others stay. Of an adult: by themselves. */
export async function replaceGuardianAddress(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ name: string }>> {
  const found = await held(pembit, actor, id);
  if (!found || found.guardian.ended || (found.adult && !found.own)) return refused('notFound');
  const generation = found.guardian.generation + 1;
  const hash = guardianHash(pembit, { id, generation });
  await pembit.queue.write((writer) => replaceGuardian(writer, id, { generation, hash }));
  return done({ name: found.guardian.name });
}

/** A child who has become adult agrees to an address of before: it shows again. */
export async function agreeToGuardian(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ name: string }>> {
  const found = await held(pembit, actor, id);
  if (!found?.adult || found.guardian.ended || !mayFor(actor, 'agreeToGuardian', found.guardian.child)) return refused('notFound'); // prettier-ignore
  await pembit.queue.write((writer) => agreeAsAdult(writer, id));
  return done({ name: found.guardian.name });
}

/** An address as whoever manages it reads of it. */
export type ManagedGuardian = Readonly<{
  id: string;
  name: string;
  state: GuardianState;
  byOffice: boolean;
  shows: Guardian['shows'];
  /** Absent where this person may not have it: the office of an adult's, and of what has ended. */
  page?: string;
  feed?: string;
  /** Of whoever issued it: when it was read, the last first, by the hour. */
  reads: readonly Readonly<{ what: 'page' | 'feed'; hour: string; words: string }>[];
  /** For the office. */
  barred?: string;
}>;

/** When an address was read, in words, by the clock of the child's term. */
function readAt(
  { what, hour }: Readonly<{ what: 'page' | 'feed'; hour: number }>,
  zone: Zone,
  locale: string,
) {
  const at = Temporal.Instant.fromEpochMilliseconds(hour);
  const when = momentLabel(zonedWallAt(zone, at), locale);
  return {
    what,
    hour: at.toString(),
    words: what === 'page' ? say.readPage({ when }) : say.readFeed({ when }),
  };
}

type Managed = Readonly<{
  adult: boolean;
  /** The mark of a minor; absent where the school's students are all of one kind. */
  minor?: boolean;
  /** Whether the child takes a course, so that there is something to show. */
  takes: boolean;
  items: readonly ManagedGuardian[];
}>;

/** The addresses of a child's guardians, for the child and, of a minor, for the office; of an adult's the office reads that there are some. */
export async function managedGuardians(
  pembit: Pembit,
  actor: SignedIn,
  child: PersonId,
): Promise<Outcome<Managed>> {
  const own = child === actor.person.id;
  const office = mayOffice(actor, 'barGuardian');
  if (!mayFor(actor, 'issueGuardian', child)) return refused('notFound');
  const [adult, minor, all, reading] = await Promise.all([isAdultHere(pembit, child), isMarkedMinor(pembit, child), guardiansOf(pembit, child), readingOf(pembit, actor.person.id)]);
  const shown = all.filter((one) => !one.ended || (office && one.barred !== undefined));
  const reads = await guardianReads(pembit, shown.map(({ id }) => id));
  const { viewer } = await keptPerson(pembit, child);
  const zone = requireZone((await planSeenBy(pembit, viewer, { notes: false })).terms[0]?.tzid ?? 'UTC');
  const items = await Promise.all(
    shown.map(async (one): Promise<ManagedGuardian> => ({
      id: one.id,
      name: one.name,
      state: await stateOf(pembit, one),
      byOffice: one.byOffice,
      shows: one.shows,
      ...(one.ended || (!own && adult) ? {} : guardianUrls(pembit, one)),
      reads: one.issuedBy === actor.person.id ? reads.filter(({ guardian }) => guardian === one.id).map((read) => readAt(read, zone, reading.locale)) : [],
      ...(office && one.barred !== undefined ? { barred: one.barred } : {}),
    })),
  );
  const { students } = await schoolSettings(pembit);
  const takes = viewer.memberOf.size > 0;
  return done({ adult, ...(students === 'mixed' ? { minor } : {}), takes, items });
} // prettier-ignore

/** The feeds of one's own guardians, as outlets are told of. */
export async function guardianFeeds(pembit: Pembit, { person }: Pick<SignedIn, 'person'>) {
  const own = (await guardiansOf(pembit, person.id)).filter(({ ended }) => !ended);
  return own.map((guardian) => ({
    id: guardian.id,
    kind: 'feed' as const,
    audience: 'guardian' as const,
    name: guardian.name,
    url: guardianUrls(pembit, guardian).feed,
  }));
}

/** Marks somebody as a minor, or not, where the school has both. */
export async function writeMinor(
  pembit: Pembit,
  actor: SignedIn,
  person: PersonId,
  minor: boolean,
): Promise<Outcome<{ name: string }>> {
  const found = mayOffice(actor, 'markMinor') ? await personById(pembit, person) : undefined;
  if (!found) return refused('notFound');
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(async (writer) => {
    await markMinor(writer, person, minor);
    await noteInOffice({ ...writer, nowMs }, { act: 'minor', actor: actor.person.id, person, detail: minor ? 'yes' : 'no' });
  });
  return done({ name: found.name });
} // prettier-ignore
