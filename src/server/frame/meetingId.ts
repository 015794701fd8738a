import { createHash } from 'node:crypto';
import type { MeetingId, SectionId } from '@/core/ids';

/** The id of a meeting by its section and its place in the pattern: a date that goes and comes back keeps it. */
export function meetingIdOf(section: SectionId, key: string): MeetingId {
  const hex = createHash('sha256').update(`meeting ${section} ${key}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}` as MeetingId;
}
