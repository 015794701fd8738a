import type { CourseId, PersonId } from '../ids';
import type { Act, Rule } from './acts';
import { ACTS } from './acts';
import type { Actor, Part } from './role';
import { rolesIn } from './role';

/** What an act is about. `owner`: whose own it is, where it is somebody's. */
export type Subject = Readonly<{ parts: readonly Part[]; owner?: PersonId | null }>;

export type Verdict = Readonly<{ ok: true }> | Readonly<{ ok: false; reason: 'notYours' }>;

const YES: Verdict = { ok: true };
const NO: Verdict = { ok: false, reason: 'notYours' };

/**
 * Whether somebody may do an act as things stand. The roles are the actor's own of this moment: whoever was taken off since
 * has none. An act about two courses asks both.
 */
export function may(actor: Actor, act: Act, { parts, owner }: Subject): Verdict {
  const rule: Rule = ACTS[act];
  if (rule.office && actor.person.isAdmin) return YES;
  if (rule.own && owner !== actor.person.id) return NO;
  // About no course: then nothing but that it is one's own lets one do it.
  if (parts.length === 0) return rule.own ? YES : NO;
  const allowed = (part: Part) => rolesIn(actor, part).some((role) => rule.roles.includes(role));
  return parts.every(allowed) ? YES : NO;
}

/** The same for an act about one course as a whole. */
export const mayIn = (actor: Actor, act: Act, course: CourseId): boolean =>
  may(actor, act, { parts: [{ course }] }).ok;

/** The same for an act about the school. */
export const mayOffice = (actor: Actor, act: Act): boolean => may(actor, act, { parts: [] }).ok;
