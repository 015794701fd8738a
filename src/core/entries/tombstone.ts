import type { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';
import type { CourseAudience } from './entry';

/**
 * What a feed keeps of something that it held and holds no more: enough for a reader to take it away, and nothing else.
 * `part` is the audience that saw it.
 */
export type Tombstone = Readonly<{
  uid: string;
  part: CourseAudience;
  start: Moment;
  sequence: number;
  goneAt: Temporal.Instant;
  /** What it was called when it was last shown; for those alone who are known by name. */
  title: string;
}>;

export const TOMBSTONE_DAYS = 30;

/** When feeds forget it. */
export const forgottenAt = ({ goneAt }: Tombstone): Temporal.Instant =>
  goneAt.add({ hours: 24 * TOMBSTONE_DAYS });
