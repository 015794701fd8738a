import { Readable } from 'node:stream';
import { z } from 'zod';
import type { FieldError, Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { importTexts } from '@/core/texts/imports';
import { plannersOf } from '@/data/people/staff';
import { coursesByCode } from '@/data/plan/frameStore';
import { uploadFile } from '../materials/uploadFile';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';
import { importCalendar } from './importCalendar';

/** What the operator's command sends: a file, and where it goes. `file` is base64. */
export const importCommand = z.object({
  course: z.string().min(1),
  term: z.string().default(''),
  /** Whose act it is, by e-mail address; empty: the course's instructor. */
  as: z.string().default(''),
  draft: z.boolean().default(false),
  name: z.string().min(1),
  file: z.string().min(1),
  /** Until when it may be carried out, in epoch milliseconds. */
  until: z.number().int(),
});
export type ImportCommand = z.output<typeof importCommand>;

/** Proves that a command comes from whoever can read the server's secret. */
export const commandProof = (secret: Buffer, command: ImportCommand): string =>
  proofOf(secret, 'command', importCommand.parse(command));

export const provenBy = (
  { secret }: Pick<Pembit, 'secret'>,
  command: ImportCommand,
  proof: string,
): boolean =>
  // By the machine's own clock: the school's may be set for a demonstration.
  command.until > Date.now() && isProven(secret, 'command', importCommand.parse(command), proof);

/** What a command says before its file is read: that it comes from whoever can read the secret, and until when it holds. */
export const commandDoor = (secret: Buffer, until: number): string =>
  `${until}.${proofOf(secret, 'command door', String(until))}`;

/** Whether the file of a command may be read at all. */
export function mayKnock(pembit: Pick<Pembit, 'secret'>, door: string): boolean {
  const [until = '', mac = ''] = door.split('.');
  return Number(until) > Date.now() && isProven(pembit.secret, 'command door', until, mac);
}

export type CommandReport = Readonly<{
  added: number;
  changed: number;
  same: number;
  left: readonly Readonly<{ line: number; title: string; why: string }>[];
}>;

const bad = (field: string, message: string): Outcome<never> => refused('badRequest', [{ field, message } satisfies FieldError]); // prettier-ignore

/** Brings a calendar file into a course that is named by its code. */
export async function importByCommand(
  pembit: Pembit,
  command: ImportCommand,
): Promise<Outcome<CommandReport>> {
  const { course: code, term, as, draft, name } = command;
  const courses = await coursesByCode(pembit, code, term);
  const [course, other] = courses;
  if (!course) return bad('course', importTexts.noCourse({ code, term }));
  if (other) return bad('term', importTexts.severalTerms({ code, terms: courses.map((c) => c.term) })); // prettier-ignore
  const staff = await plannersOf(pembit, course.id);
  const who = as ? staff.find(({ email }) => email === as) : staff[0];
  if (!who) return bad('as', importTexts.noStaff({ code, as }));
  const { person, viewer } = await keptPerson(pembit, who.id);
  const actor = { person: person!, viewer, session: '' };
  const body = Readable.toWeb(
    Readable.from([Buffer.from(command.file, 'base64')]),
  ) as ReadableStream<Uint8Array>;
  const sent = await uploadFile(pembit, actor, { name, as: 'calendar', body });
  if (!sent.ok) return sent;
  const outcome = await importCalendar(pembit, actor, { course: course.id, file: sent.value.id, draft });
  if (!outcome.ok) return outcome;
  const left = outcome.value.left.map(({ line, title, ...rest }) => ({ line, title, why: rest.state === 'left' ? rest.why : '' })); // prettier-ignore
  return done({ ...outcome.value, left }, outcome.history);
}
