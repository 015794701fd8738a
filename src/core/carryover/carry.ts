import type { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { courseId, fileId, outletId } from '../ids';
import { plainDate } from '../fields';
import type { Entry } from '../entries/entry';
import type { PersonId } from '../ids';
import type { Material } from '../materials/material';
import type { ClassPlan } from '../plan/classPlan';
import type { Course } from '../plan/plan';
import type { Sheet } from '../signup/sheet';
import type { Closure } from '../time/closure';
import type { Term } from '../time/term';
import type { Zone } from '../time/zone';
import type { Correction } from './datesInText';
import { MAPPINGS } from './dayMap';

/** What is planned in one course. */
export type CoursePlan = Readonly<{
  term: Term;
  zone: Zone;
  course: Course;
  closures: readonly Closure[];
  classPlans: readonly ClassPlan[];
  entries: readonly Entry[];
  sheets: readonly Sheet[];
  materials: readonly Material[];
}>;

const choice = z.object({
  /** Not carried over. */
  leave: z.boolean().optional(),
  /** Another day than the one that was found. */
  to: plainDate.optional(),
  /** Dates in its words stay as they are. */
  keepWords: z.boolean().optional(),
});

export const carryInput = z.object({
  from: courseId,
  to: courseId,
  /** An uploaded plan package that `from` is a course of; absent: a course of this school. */
  file: fileId.optional(),
  /** One teaching week of `from`'s term alone. */
  week: z
    .number({ error: 'Give the number of a week.' })
    .int('Give the number of a week.')
    .min(1)
    .max(60)
    .optional(),
  mapping: z.enum(MAPPINGS, { error: 'Say "meetings", "weeks" or "days".' }).default('meetings'),
  /** How set, opens, closes and shown-from keep their distance: in days, or each by its own place in the term. */
  hanging: z.enum(['days', 'own'], { error: 'Say "days" or "own".' }).default('days'),
  /** Everything as drafts, or as visible as it was. */
  drafts: z.boolean().default(false),
  /** By what is carried. */
  choices: z.record(z.string().max(60), choice).default({}),
  /** Public outlets that show the new course from then on. */
  outlets: z.array(outletId).max(200).default([]),
});
export type CarryInput = z.output<typeof carryInput>;
export type CarryInputJson = z.input<typeof carryInput>;
export type Carrying = Pick<CarryInput, 'week' | 'mapping' | 'hanging' | 'drafts' | 'choices'> &
  Readonly<{ now: Temporal.Instant; newId: () => string; actor: Readonly<{ id: PersonId; name: string }> }>;

/**
 * What is wrong with where something falls: on a closure, outside the term, no class of that number, a class that has a plan
 * already; or why it cannot come along: meant for groups or named students alone.
 */
export type CarryProblem = 'closure' | 'pastEnd' | 'beforeStart' | 'noClass' | 'taken' | 'namedOnly';

/** One thing that is carried over, with its old day and its new one. */
export type CarryLine = Readonly<{
  id: string;
  kind: 'class' | 'sheet' | Entry['kind'];
  title: string;
  from?: Temporal.PlainDate;
  to?: Temporal.PlainDate;
  /** Left out, by choice or because it cannot come along. */
  left: boolean;
  problem?: CarryProblem;
  /** Put on the next open day because a closure, whose name this is, lies on its own. */
  movedOff?: string;
  corrections: readonly Correction[];
  /** Of a series: single occurrences that differed, which stay behind. */
  singles: number;
  /** Of a sheet: how many times it has, and had. */
  times?: Readonly<{ now: number; before: number }>;
}>;

/** What a carrier makes of one thing: its line, and the thing itself where it comes along. */
export type Carried<T> = Readonly<{ line: CarryLine; made?: T }>;
