import type { Viewer } from '@/core/entries/viewer';
import type { CourseId, PersonId } from '@/core/ids';
import type { Person } from '@/data/people/people';
import { arrivals, personById, viewerOf } from '@/data/people/people';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

type Known = Readonly<{
  person?: Person;
  viewer: Extract<Viewer, { kind: 'person' }>;
  /** Courses whose lists have named them since they last came. */
  arrivesIn: readonly CourseId[];
}>;
const kept = keptReads<Known>(4000);
/** Days begin and end on the quarter of an hour in every zone: within one, a substitute is one or is not. */
const QUARTER_MS = 15 * 60_000;

/** A person with what they see by: asked for with every request. */
export const keptPerson = (pembit: Pembit, id: PersonId): Promise<Known> => {
  const now = pembit.now();
  const read = async () => {
    const [person, viewer, arrivesIn] = await Promise.all([personById(pembit, id), viewerOf(pembit, id, now), arrivals(pembit, id)]); // prettier-ignore
    return { person, viewer, arrivesIn };
  };
  return kept(pembit, `${id} ${Math.floor(now.epochMilliseconds / QUARTER_MS)}`, read, []);
};
