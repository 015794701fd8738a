import type { FileId } from '../ids';
import type { Link } from '../entries/entry';
import { isRecording } from '../materials/fileTypes';
import type { OutletContents } from './outletContents';
import type { PublishedOutlet } from './outlet';

/** The links of what an outlet holds, as its readers see it. */
export function heldLinks({ plan, has }: Pick<OutletContents, 'plan' | 'has'>): readonly Link[] {
  return [
    ...plan.entries.flatMap((entry) => {
      if (entry.kind === 'note') return [];
      const held = entry.kind === 'assignment' ? has('set') || has('due') : has(entry.kind);
      return held ? entry.links : [];
    }),
    ...(has('class') ? plan.classes.flatMap((seen) => seen.plan?.links ?? []) : []),
  ];
}

/** Whether an outlet opens a file of this type for its readers. Whom a recording shows agreed to the course, not to everybody, unless it was chosen by itself. */
export const opensFile = (
  { audience, files, recordings }: Pick<PublishedOutlet, 'audience' | 'files' | 'recordings'>,
  { id, mediaType }: Readonly<{ id: FileId; mediaType: string }>,
): boolean => files && (audience === 'roster' || !isRecording(mediaType) || recordings.includes(id));
