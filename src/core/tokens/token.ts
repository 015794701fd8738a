import { z } from 'zod';
import type { Temporal } from 'temporal-polyfill';
import type { Viewer } from '../entries/viewer';
import { PLAN_PARTS } from '../entries/viewer';
import { line, plainDate } from '../fields';
import type { CourseId, PersonId } from '../ids';
import { courseId } from '../ids';
import { tokenTexts as say } from '../texts/tokens';
import type { Capability } from './capability';
import { CAPABILITIES } from './capability';

export const SCOPES = CAPABILITIES.flatMap(
  (capability) => [`read:${capability}`, `write:${capability}`] as const,
);
export type Scope = `${'read' | 'write'}:${Capability}`;

const scope = z
  .string()
  .refine((text): text is Scope => (SCOPES as readonly string[]).includes(text), { error: say.scope });

/** An origin as browsers send it: no path, nothing behind. */
const origin = z
  .string()
  .max(200)
  .refine((text) => URL.canParse(text) && /^https?:/.test(text) && new URL(text).origin === text, {
    error: say.origin,
  });

export const tokenInput = z.strictObject({
  name: line(100, say.nameMissing),
  scopes: z.array(scope, { error: say.scopesMissing }).min(1, say.scopesMissing).max(SCOPES.length),
  /** Absent: every course of its owner, those to come as well. */
  courses: z.array(courseId).min(1, say.coursesMissing).max(200).optional(),
  /** The last day on which it is good. */
  expires: plainDate.optional(),
  /** Pages of these may call with it from a browser. */
  origins: z.array(origin).max(10).default([]),
});
export type TokenInput = z.output<typeof tokenInput>;

/** A token as it is kept: without what it consists of. */
export type Token = Readonly<{
  id: string;
  owner: PersonId;
  name: string;
  scopes: ReadonlySet<Scope>;
  courses?: ReadonlySet<CourseId>;
  origins: readonly string[];
  created: Temporal.Instant;
  /** The last day, and the instant with which it is over. */
  expires?: Readonly<{ on: Temporal.PlainDate; at: Temporal.Instant }>;
  lastUsed?: Temporal.Instant;
}>;

/** Whether a token lets one read, or write, what belongs to a capability; who may write may read. */
export const permits = ({ scopes }: Pick<Token, 'scopes'>, capability: Capability, write: boolean): boolean =>
  scopes.has(`write:${capability}`) || (!write && scopes.has(`read:${capability}`));

type PersonViewer = Extract<Viewer, { kind: 'person' }>;

/** Its owner as far as a token reaches: never more than they see now. */
export function viewerWithin(viewer: PersonViewer, token: Pick<Token, 'scopes' | 'courses'>): PersonViewer {
  const { courses } = token;
  const kept = (course: CourseId) => courses?.has(course) ?? true;
  const keptSet = (set: ReadonlySet<CourseId>) => new Set([...set].filter(kept));
  const keptMap = <V>(map: ReadonlyMap<CourseId, V>) => new Map([...map].filter(([course]) => kept(course)));
  return {
    ...viewer,
    staffOf: keptSet(viewer.staffOf),
    instructs: keptSet(viewer.instructs),
    helps: keptMap(viewer.helps),
    memberOf: keptMap(viewer.memberOf),
    reads: new Set(PLAN_PARTS.filter((part) => permits(token, part, false))),
  };
}
