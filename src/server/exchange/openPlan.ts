import { randomUUID } from 'node:crypto';
import type { PlanFile } from '@/core/exchange/planFile';
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
import { TooMuch, inForeignThread } from '../worker/inForeignThread';
import type { OpenedPlan } from './parsePlan';
import { parsePlan } from './parsePlan';

/** A term of forty courses is a tenth of it. */
const LARGEST_PLAN = 20 * 1024 * 1024;
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g;

const bad = (message: string): Refused => refused('badRequest', [{ field: 'file', message }]);

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
    // Judged in a thread first: what is wrong, or endless, never comes here.
    const wrong = await inForeignThread('plan', text);
    if (wrong) return bad(wrong);
    const read = parsePlan(text);
    if (!read.ok || !keepFiles) return read;
    const kept = await keepInner(pembit, actor, opened, read.value.plan);
    return kept.ok ? withIds(text, (old) => kept.value.get(old)) : kept;
  } catch (error) {
    if (error instanceof TooMuch) return bad(packageTexts.tooMuch);
    // What a zip says of its files shows only while they are unpacked.
    return bad(packageTexts.refusals.notZip);
  } finally {
    opened.close();
  }
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
    if (!received) return bad(planFileTexts.fileMissing({ name }));
    const stored = await keepReceived(pembit, received, { name, owner: actor.person.id });
    if ('refused' in stored) return bad(stored.refused);
    kept.set(id, stored.id);
  }
  return done(kept);
}
