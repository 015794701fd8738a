import type { FileId } from '../ids';
import { isRecording } from '../materials/fileTypes';
import { fileOfAddress } from '../materials/fileOfAddress';
import type { OutletContents } from './outletContents';
import type { PublishedOutlet } from './outlet';

/** The uploaded files that what an outlet holds leads to, as its readers see it. */
export function linkedFiles({ plan, has }: Pick<OutletContents, 'plan' | 'has'>): ReadonlySet<FileId> {
  const links = [
    ...plan.entries.flatMap((entry) => {
      if (entry.kind === 'note') return [];
      const held = entry.kind === 'assignment' ? has('set') || has('due') : has(entry.kind);
      return held ? entry.links : [];
    }),
    ...(has('class') ? plan.classes.flatMap((seen) => seen.plan?.links ?? []) : []),
  ];
  return new Set(links.flatMap(({ url }) => fileOfAddress(url) ?? []));
}

/** Whether an outlet opens a file of this type for its readers. Whom a recording shows agreed to the course, not to everybody. */
export const opensFile = (
  { audience, files }: Pick<PublishedOutlet, 'audience' | 'files'>,
  { mediaType }: Readonly<{ mediaType: string }>,
): boolean => files && (audience === 'roster' || !isRecording(mediaType));
