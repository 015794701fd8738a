import { z } from 'zod';
import type { Temporal } from 'temporal-polyfill';
import type { PersonId } from '../ids';
import { webhookTexts as say } from '../texts/webhooks';

/** The lists of the API of which a follower is told what changes. */
export const FOLLOWED_LISTS = [
  'terms',
  'courses',
  'sections',
  'meetings',
  'class-plans',
  'entries',
  'closures',
  'materials',
  'sheets',
  'slots',
  'bookings',
] as const;
export type FollowedList = (typeof FOLLOWED_LISTS)[number];

/** When somebody begins or ceases to come to a time says something of them, though nobody is named. */
export const concernsPeople = (lists: readonly FollowedList[]): boolean => lists.includes('bookings');

export const webhookInput = z.strictObject({
  /** Whose reach it has. */
  token: z.uuid(),
  url: z
    .string({ error: say.address })
    .trim()
    .max(2000)
    .refine((text) => URL.canParse(text) && /^https?:$/.test(new URL(text).protocol), { error: say.address }),
  /** Absent: all that the token reads. */
  lists: z.array(z.enum(FOLLOWED_LISTS)).min(1).max(FOLLOWED_LISTS.length).optional(),
});
export type WebhookInput = z.output<typeof webhookInput>;

/** An address that is told of changes, as it is kept. */
export type Webhook = Readonly<{
  id: string;
  token: string;
  tokenName: string;
  owner: PersonId;
  ownerName: string;
  url: string;
  lists: readonly FollowedList[];
  created: Temporal.Instant;
  /** Whether the office has agreed, where that is needed. */
  approved: boolean;
  /** How often what is to be told now could not be told. */
  attempts: number;
  nextTry?: Temporal.Instant;
  paused: boolean;
  lastTold?: Temporal.Instant;
  /** What was answered last, where it was no success: a status, or why there was none. */
  failure?: string;
}>;

/** So often it is tried before it pauses, and how long after each time, in seconds. */
const WAITS = [30, 120, 480, 1920, 7680, 21_600, 21_600] as const;

/** How many seconds after so many failures it is tried again; undefined: no more, until its owner says so. */
export const waitAfter = (attempts: number): number | undefined => WAITS[attempts - 1];
