import { z } from 'zod';

/**
 * What happened, one or several for each act, written in its transaction. A closed list: whoever reads events knows them all.
 * `acted` stands for acts of which nobody's plan tells (somebody was added, settings were changed).
 */
export const EVENT_TYPES = [
  'entryAdded', 'entryMoved', 'entryChanged', 'entryCalledOff', 'entryReinstated', 'entryDeleted', 'entryShown', 'entryWithdrawn',
  'dueExtended', 'replied',
  'classMoved', 'classCalledOff', 'classReinstated', 'classGone',
  'classPlanned', 'classPlanMoved', 'classPlanChanged', 'classPlanGone',
  'acted',
] as const; // prettier-ignore
export type EventType = (typeof EVENT_TYPES)[number];

/** Facts of an entry that readers care about, by what they are called where it is written. */
export const CHANGED_FIELDS = [
  'title', 'date', 'setOn', 'opens', 'closes', 'end', 'place', 'meeting', 'handIn', 'points', 'audience', 'links', 'text',
  'occurrences', 'shown', 'hidden', 'late', 'coming', 'pacing', 'kind',
] as const; // prettier-ignore
export type ChangedField = (typeof CHANGED_FIELDS)[number];

/** A column of a row as it is stored. */
const stored = z.union([z.string(), z.number(), z.null()]);
const row = z.record(z.string(), stored);

/** An entry as it stood: its row without its text, whom it was for, and extended dates by the ids of people. */
const entryState = z.object({ row, audiences: z.array(row), extensions: z.array(row) });
/** A class as it stood, or the class that a plan stood on. */
const classState = z.object({
  date: z.string(),
  /** Empty for one that stands for a teaching week. */
  start: z.string(),
  title: z.string(),
  cancelled: z.string().nullable(),
});

/** What an event says beside its type and subject; no names: people are ids. */
export const eventPayload = z.object({
  entry: z.object({ before: entryState.nullable(), after: entryState.nullable() }).optional(),
  class: z.object({ section: z.string(), before: classState.nullable(), after: classState.nullable() }).optional(),
  fields: z.array(z.enum(CHANGED_FIELDS)).optional(),
  /** Of `acted`: the act's name. */
  act: z.string().optional(),
}); // prettier-ignore
export type EventPayload = z.infer<typeof eventPayload>;

/** What an act says about one thing. `scopes`: whose it is, courses and people. */
export type Happening<Scope extends string = string> = Readonly<{
  type: EventType;
  /** The id of what it is about: an entry, a class, a class plan; empty for `acted`. */
  subject: string;
  scopes: readonly Scope[];
  payload: EventPayload;
}>;

/** The types after which those who had seen the old state are offered to be told. */
export const TOLD_TYPES: ReadonlySet<EventType> = new Set([
  'entryMoved', 'entryChanged', 'entryCalledOff', 'entryReinstated', 'entryDeleted', 'entryWithdrawn', 'dueExtended',
  'classMoved', 'classCalledOff', 'classReinstated', 'classGone', 'classPlanMoved',
]); // prettier-ignore
