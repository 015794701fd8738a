import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { PlanFile } from '@/core/exchange/planFile';
import { planFile } from '@/core/exchange/planFile';
import { missingIn } from '@/core/exchange/planFromFile';
import type { FileId } from '@/core/ids';
import { LARGEST_FILE } from '@/core/materials/fileTypes';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { packageTexts } from '@/core/texts/packages';
import { planFileTexts } from '@/core/texts/planFiles';
import { filesById } from '@/data/materials/files';
import type { Package } from '../materials/openPackage';
import { openPackage } from '../materials/openPackage';
import { receive, storedPath } from '../materials/fileStore';
import { keepReceived } from '../materials/uploadFile';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const LARGEST_PLAN = 100 * 1024 * 1024;
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g;

const bad = (message: string): Refused => refused('badRequest', [{ field: 'file', message }]);

/** What was read of a package: the plan, and its text, in which ids can be exchanged. */
export type OpenedPlan = Readonly<{ plan: PlanFile; text: string }>;

/**
 * Reads an uploaded plan package. With `keepFiles` the files in it are kept as the actor's, and the plan leads to them; a file
 * that is not kept (its type, its size) is refused with the package.
 */
export async function openPlan(
  pembit: Pembit,
  actor: SignedIn,
  id: FileId,
  keepFiles = false,
): Promise<Outcome<OpenedPlan>> {
  const [file] = await filesById(pembit, [id]);
  if (!file || file.owner !== actor.person.id) return refused('notFound');
  const opened = await openPackage(storedPath(pembit.config, file.hash));
  if ('refused' in opened) return bad(packageTexts.refusals[opened.refused]);
  try {
    const bytes = await opened.read('plan.json', LARGEST_PLAN);
    if (!bytes) return bad(planFileTexts.noPlan);
    const text = bytes.toString('utf8');
    const read = parsePlan(text);
    if (!read.ok || !keepFiles) return read;
    const kept = await keepInner(pembit, actor, opened, read.value.plan);
    return kept.ok ? withIds(text, (old) => kept.value.get(old)) : kept;
  } catch {
    // What a zip says of its files shows only while they are unpacked.
    return bad(packageTexts.refusals.notZip);
  } finally {
    opened.close();
  }
}

export function parsePlan(text: string): Outcome<OpenedPlan> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return bad(planFileTexts.noPlan);
  }
  const version = z.object({ format: z.literal('pembit-plan'), version: z.number() }).safeParse(json);
  if (!version.success) return bad(planFileTexts.noPlan);
  if (version.data.version !== 1) return bad(planFileTexts.newer);
  const read = planFile.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    return bad(planFileTexts.wrong(issue?.path.join('.') ?? '', issue?.message ?? ''));
  }
  const missing = missingIn(read.data);
  return missing.length > 0 ? bad(planFileTexts.incomplete(missing.length)) : done({ plan: read.data, text });
}

/** The plan with other ids, wherever they stand: where `idOf` knows none, the id stays. */
export function withIds(text: string, idOf: (id: string) => string | undefined): Outcome<OpenedPlan> {
  return parsePlan(text.replace(UUID, (id) => idOf(id) ?? id));
}

/** The plan with a new id for everything but the files. */
export function withNewIds({ plan, text }: OpenedPlan): Outcome<OpenedPlan> {
  const files = new Set<string>(plan.files.map(({ id }) => id));
  const fresh = new Map<string, string>();
  return withIds(text, (id) => {
    if (files.has(id)) return undefined;
    if (!fresh.has(id)) fresh.set(id, randomUUID());
    return fresh.get(id);
  });
}

async function keepInner(
  pembit: Pembit,
  actor: SignedIn,
  opened: Package,
  { files }: PlanFile,
): Promise<Outcome<ReadonlyMap<string, string>>> {
  const kept = new Map<string, string>();
  for (const { id, name } of files) {
    const body = await opened.stream(`files/${id}`);
    const received = body && (await receive(pembit.config, body, LARGEST_FILE));
    if (!received) return bad(planFileTexts.fileMissing(name));
    const stored = await keepReceived(pembit, received, { name, owner: actor.person.id });
    if ('refused' in stored) return bad(stored.refused);
    kept.set(id, stored.id);
  }
  return done(kept);
}
