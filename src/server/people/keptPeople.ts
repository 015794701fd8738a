import type { Viewer } from '@/core/entries/viewer';
import type { PersonId } from '@/core/ids';
import type { Person } from '@/data/people/people';
import { personById, viewerOf } from '@/data/people/people';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

type Known = Readonly<{ person?: Person; viewer: Extract<Viewer, { kind: 'person' }> }>;
const kept = keptReads<Known>(4000);

/** A person with what they see by: asked for with every request. */
export const keptPerson = (pembit: Pembit, id: PersonId): Promise<Known> =>
  kept(pembit, id, async () => {
    const [person, viewer] = await Promise.all([personById(pembit, id), viewerOf(pembit, id)]);
    return { person, viewer };
  });
