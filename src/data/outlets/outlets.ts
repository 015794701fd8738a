import type { CourseId, OutletId, PersonId, SectionId } from '@/core/ids';
import type { Outlet, OutletKind, TimesAs } from '@/core/outlets/outlet';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

type Composition = { courses?: CourseId[]; sections?: SectionId[]; kinds?: OutletKind[]; times?: TimesAs };

function toOutlet(row: Rows['outlets']): Outlet {
  const common = {
    id: row.id as OutletId,
    kind: row.kind,
    name: row.name,
    owner: row.owner_id as PersonId,
    generation: row.generation,
  };
  if (row.audience === 'personal') return { ...common, audience: 'personal' };
  const {
    courses = [],
    sections = [],
    kinds = [],
    times = 'days',
  } = JSON.parse(row.composition) as Composition;
  return { ...common, audience: row.audience, courses, sections, kinds, times };
}

export async function outletByTokenHash(reader: Reader, tokenHash: string): Promise<Outlet | undefined> {
  const [row] = await select<Rows['outlets']>(reader, 'SELECT * FROM outlets WHERE token_hash = :tokenHash', {
    tokenHash,
  });
  return row && toOutlet(row);
}

/** A person's outlets: those they made, their personal feed first. */
export async function outletsOwnedBy(reader: Reader, person: PersonId): Promise<Outlet[]> {
  const rows = await select<Rows['outlets']>(
    reader,
    `SELECT * FROM outlets WHERE owner_id = :person ORDER BY audience = 'personal' DESC, kind, name`,
    { person },
  );
  return rows.map(toOutlet);
}

export async function insertOutlet(change: Change, outlet: Outlet, tokenHash: string): Promise<void> {
  const composition: Composition =
    outlet.audience === 'personal'
      ? {}
      : {
          courses: [...outlet.courses],
          sections: [...outlet.sections],
          kinds: [...outlet.kinds],
          times: outlet.times,
        };
  await change.insert('outlets', [
    {
      id: outlet.id,
      kind: outlet.kind,
      audience: outlet.audience,
      name: outlet.name,
      owner_id: outlet.owner,
      generation: outlet.generation,
      token_hash: tokenHash,
      composition: JSON.stringify(composition),
    },
  ]);
  change.concerns(`person:${outlet.owner}`);
  if (outlet.audience !== 'personal')
    change.concerns(...outlet.courses.map((course) => `course:${course}` as const));
}
