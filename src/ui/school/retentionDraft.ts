import type { Retention } from '@/core/frame/retention';
import { RETENTION_CLASSES, daysKept } from '@/core/frame/retention';
import { numberIn } from '../controls/numberIn';
import type { RetentionDraft } from './RetentionFields';

/** How long things are kept, as the fields show it. */
export const draftOfRetention = (retention: Retention): RetentionDraft =>
  Object.fromEntries(RETENTION_CLASSES.map((name) => [name, String(daysKept(retention, name) ?? '')])) as RetentionDraft; // prettier-ignore

/** What the fields send: an empty one is “always”. */
export const sentRetention = (draft: RetentionDraft) =>
  Object.fromEntries(RETENTION_CLASSES.map((name) => [name, draft[name].trim() === '' ? null : (numberIn(draft[name]) ?? draft[name])])); // prettier-ignore
