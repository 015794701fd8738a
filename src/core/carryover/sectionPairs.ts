import type { SectionId } from '../ids';
import type { Section } from '../plan/plan';

/** Which section of the old course each section of the new one is like: the one of its name, of its place, the first. */
export function sectionPairs(
  from: readonly Pick<Section, 'id' | 'name'>[],
  to: readonly Pick<Section, 'id' | 'name'>[],
): ReadonlyMap<SectionId, SectionId> {
  const plain = (name: string) => name.trim().toLowerCase();
  return new Map(
    to.flatMap((section, i) => {
      const like = from.find(({ name }) => plain(name) === plain(section.name)) ?? from[i] ?? from[0];
      return like ? [[section.id, like.id] as const] : [];
    }),
  );
}
