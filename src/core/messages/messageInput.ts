import { z } from 'zod';
import { line, longText } from '../fields';
import { audienceParts } from '../entries/entryInput';
import { entryId } from '../ids';

/** Until when a taken time counts. */
export const WITHIN = ['thisWeek', 'nextWeek', 'term'] as const;
export type Within = (typeof WITHIN)[number];

const condition = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('everyone') }),
  z.object({ kind: z.enum(['withTime', 'withoutTime']), within: z.enum(WITHIN) }),
  /** Of whoever has never signed in. */
  z.object({ kind: z.literal('notHere') }),
  /** Of an entry that asks who is coming. */
  z.object({ kind: z.enum(['coming', 'notReplied']) }),
]);
/** What narrows an audience to some of it. */
export type Condition = z.output<typeof condition>;

/** Whom a message is for: everybody in a course, or some sections, groups and students of it, narrowed by a condition. */
export const recipientsInput = z.object({
  ...audienceParts,
  condition: condition.default({ kind: 'everyone' }),
  /** What it is about: an entry of the course. */
  entry: entryId.optional(),
});
export type RecipientsInput = z.output<typeof recipientsInput>;

export const messageInput = recipientsInput.extend({
  subject: line(200, 'Say what it is about.'),
  text: longText(10_000).refine((text) => text.trim() !== '', 'Write something.'),
});
export type MessageInput = z.output<typeof messageInput>;
