import type { CourseId, OutletId, PersonId } from '@/core/ids';
import type { Outlet, PersonalComposition, PublishedComposition } from '@/core/outlets/outlet';
import { PERSONAL_DEFAULTS, PUBLISHED_DEFAULTS } from '@/core/outlets/outlet';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { contains } from '../dialect';
import { run } from '../statements';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** What was stored before something could be chosen has its default. */
function toOutlet(row: Rows['outlets']): Outlet {
  const common = {
    id: row.id as OutletId,
    kind: row.kind,
    name: row.name,
    owner: row.owner_id as PersonId,
    generation: row.generation,
  };
  const stored: unknown = JSON.parse(row.composition);
  if (row.audience === 'personal')
    return { ...PERSONAL_DEFAULTS, ...(stored as Partial<PersonalComposition>), ...common, audience: 'personal' }; // prettier-ignore
  // Whoever holds a roster's address may read the files of the course; of a public one nobody had chosen that.
  const defaults = { ...PUBLISHED_DEFAULTS, files: row.audience === 'roster' };
  const composition = { ...defaults, ...(stored as Partial<PublishedComposition>) };
  return {
    ...composition,
    look: { ...PUBLISHED_DEFAULTS.look, ...composition.look },
    ...common,
    audience: row.audience,
  };
}

function compositionOf(outlet: Outlet): PersonalComposition | PublishedComposition {
  const { daysBack, tags, detail, reminders } = outlet;
  const composed = { ...(daysBack === undefined ? {} : { daysBack }), tags, detail, reminders };
  if (outlet.audience === 'personal') return { ...composed, kinds: outlet.kinds };
  const {
    courses,
    sections,
    calendars,
    kinds,
    times,
    meetingLinks,
    files,
    recordings,
    opened,
    places,
    look,
  } = outlet;
  const open = { files, recordings, ...(opened ? { opened } : {}) };
  return { ...composed, courses, sections, calendars, kinds, times, meetingLinks, ...open, places, look };
}

export const outletRow = (outlet: Outlet, tokenHash: string): Rows['outlets'] => ({
  id: outlet.id,
  kind: outlet.kind,
  audience: outlet.audience,
  name: outlet.name,
  owner_id: outlet.owner,
  generation: outlet.generation,
  token_hash: tokenHash,
  composition: JSON.stringify(compositionOf(outlet)),
});

const find = async (reader: Reader, where: string, replacements: Record<string, unknown>) =>
  (await select<Rows['outlets']>(reader, `SELECT * FROM outlets WHERE ${where}`, replacements)).map(toOutlet);

export const outletByTokenHash = async (reader: Reader, tokenHash: string): Promise<Outlet | undefined> =>
  (await find(reader, 'token_hash = :tokenHash', { tokenHash }))[0];

export const outletById = async (reader: Reader, id: OutletId): Promise<Outlet | undefined> =>
  (await find(reader, 'id = :id', { id }))[0];

/** All that somebody owns, whatever it holds. */
export const outletsOwnedBy = (reader: Reader, person: PersonId): Promise<Outlet[]> =>
  find(reader, 'owner_id = :person', { person });

export const allOutlets = (reader: Reader): Promise<Outlet[]> => find(reader, '1 = 1', {});

/** Writes by which an outlet's address is known, where the server has another secret. */
export async function writeTokenHash(writer: Writer, id: OutletId, tokenHash: string): Promise<void> {
  await run(writer, 'UPDATE outlets SET token_hash = :tokenHash WHERE id = :id', { id, tokenHash });
}

/** Gives an outlet to somebody else; its address stays. */
export async function replaceOwner(change: Change, id: OutletId, owner: PersonId): Promise<void> {
  await change.update('outlets', id, { owner_id: owner });
}

const ORDER = "ORDER BY audience = 'personal' DESC, kind, name, id";

/**
 * A person's outlets, the personal feed first: those they made, as long as they teach any of their courses, and those of
 * others that hold nothing but courses which they teach.
 */
export async function outletsOf(
  reader: Reader,
  person: PersonId,
  teaches: ReadonlySet<CourseId>,
): Promise<Outlet[]> {
  if (teaches.size === 0)
    return find(reader, `owner_id = :person AND audience = 'personal' ${ORDER}`, { person });
  // Few courses are taught by one person, and each course has few outlets.
  const named = [...teaches].map((_, i) => contains(reader, 'composition', `:course${i}`)).join(' OR ');
  const outlets = await find(
    reader,
    `owner_id = :person OR (audience <> 'personal' AND (${named})) ${ORDER}`,
    { person, ...Object.fromEntries([...teaches].map((course, i) => [`course${i}`, course])) },
  );
  return outlets.filter(
    (outlet) =>
      outlet.audience === 'personal' ||
      (outlet.owner === person
        ? outlet.courses.some((course) => teaches.has(course))
        : outlet.courses.every((course) => teaches.has(course))),
  );
}

const concern = (change: Change, outlet: Outlet) => {
  change.concerns(`person:${outlet.owner}`);
  if (outlet.audience !== 'personal')
    change.concerns(...outlet.courses.map((course) => `course:${course}` as const));
};

export async function insertOutlet(change: Change, outlet: Outlet, tokenHash: string): Promise<void> {
  await change.insert('outlets', [outletRow(outlet, tokenHash)]);
  concern(change, outlet);
}

/** Writes an outlet over what was there. `tokenHash` is that of its generation. */
export async function replaceOutlet(
  change: Change,
  before: Outlet,
  after: Outlet,
  tokenHash: string,
): Promise<void> {
  await change.update('outlets', after.id, outletRow(after, tokenHash));
  concern(change, before);
  concern(change, after);
}

export async function removeOutlet(change: Change, outlet: Outlet): Promise<void> {
  await change.remove('outlets', outlet.id);
  concern(change, outlet);
}

/** An address that leads nowhere any more: it was replaced by another, or its outlet was deleted. */
export type GoneAddress = Readonly<{
  kind: 'feed' | 'embed';
  name: string;
  replaced: boolean;
  goneAtMs: number;
}>;

export const insertGoneAddress = (
  change: Change,
  { id, kind, name }: Outlet,
  { tokenHash, replaced }: Readonly<{ tokenHash: string; replaced: boolean }>,
): Promise<void> =>
  change.insert('gone_addresses', [
    { id: tokenHash, outlet_id: id, kind, name, replaced: replaced ? 1 : 0, gone_at: change.nowMs },
  ]);

export async function goneAddress(reader: Reader, tokenHash: string): Promise<GoneAddress | undefined> {
  const [row] = await select<Rows['gone_addresses']>(
    reader,
    'SELECT * FROM gone_addresses WHERE id = :tokenHash',
    { tokenHash },
  );
  return row && { kind: row.kind, name: row.name, replaced: row.replaced === 1, goneAtMs: row.gone_at };
}
