import { randomUUID } from 'node:crypto';
import { fileTypeFromFile } from 'file-type';
import type { FileId, PersonId } from '@/core/ids';
import {
  LARGEST_CALENDAR,
  LARGEST_FILE,
  LARGEST_PACKAGE,
  judgeFile,
  plainFileName,
} from '@/core/materials/fileTypes';
import type { Outcome } from '@/core/refusals';
import { done, refused, refusedBecause } from '@/core/refusals';
import { fileTexts } from '@/core/texts/files';
import { retentionTexts } from '@/core/texts/retention';
import { megabytes, schoolBytes } from '@/data/materials/fileRoom';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { StoredFile } from '@/data/materials/files';
import { insertFile } from '@/data/materials/files';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Received } from './fileStore';
import { discard, isTextFile, keep, receive } from './fileStore';

export type Uploaded = Pick<StoredFile, 'id' | 'name' | 'mediaType' | 'size'>;
/** A package is read, not kept as it is, and may be larger; a calendar may have any text encoding, and is read with care. */
type UploadAs = 'file' | 'package' | 'calendar' | 'schedule';
type Upload = Readonly<{ name: string; as?: UploadAs; body: ReadableStream<Uint8Array> | null }>;
const LARGEST_SCHEDULE = 20 * 1024 * 1024;
const LARGEST = {
  file: LARGEST_FILE,
  package: LARGEST_PACKAGE,
  calendar: LARGEST_CALENDAR,
  schedule: LARGEST_SCHEDULE,
} as const;
/** How a file is kept that is read with care, whatever its type. */
const READ_AS: Partial<Record<UploadAs, string>> = {
  calendar: 'text/calendar',
  schedule: 'application/octet-stream',
};

/** Keeps a file that staff send: its type is told by its content, and must be one of those that are kept. */
export async function uploadFile(
  pembit: Pembit,
  actor: SignedIn,
  { name, as = 'file', body }: Upload,
): Promise<Outcome<Uploaded>> {
  if (actor.viewer.staffOf.size === 0 && !actor.person.isAdmin) return refused('notYours');
  const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);
  if (!body) return bad(fileTexts.empty);
  const largest = LARGEST[as];
  const received = await receive(pembit.config, body, largest);
  if (!received) return bad(fileTexts.tooLarge(largest));
  const full = await schoolRoomError(pembit, received.size);
  if (full) {
    await discard(received);
    return refusedBecause('noRoomForFiles', full);
  }
  const kept = await keepReceived(pembit, received, {
    name,
    owner: actor.person.id,
    mediaType: READ_AS[as],
  });
  if ('refused' in kept) return bad(kept.refused);
  const { id, name: called, mediaType, size } = kept;
  return done({ id, name: called, mediaType, size });
}

/** What is said where the school's files have filled their room. */
async function schoolRoomError(pembit: Pembit, size: number): Promise<string | undefined> {
  const { schoolMegabytes } = await schoolSettings(pembit);
  const full = megabytes((await schoolBytes(pembit)) + size) > schoolMegabytes;
  return full ? retentionTexts.schoolFull({ of: schoolMegabytes }) : undefined;
}

/** The type that a received file is kept as, or a sentence that says why it is not. */
export async function judgeReceived(
  received: Received,
  name: string,
): Promise<Readonly<{ mediaType: string } | { refused: string }>> {
  if (received.size === 0) return { refused: fileTexts.empty };
  const found = await fileTypeFromFile(received.path);
  const judged = judgeFile(name, found?.mime, !found && (await isTextFile(received.path)));
  return 'refused' in judged ? { refused: fileTexts[judged.refused]({ name }) } : judged;
}

/** Judges what was received and keeps it, or throws it away with a sentence. */
export async function keepReceived(
  pembit: Pembit,
  received: Received,
  { name, owner, mediaType: known }: Readonly<{ name: string; owner: PersonId; mediaType?: string }>,
): Promise<StoredFile | Readonly<{ refused: string }>> {
  const plain = plainFileName(name);
  const judged = known ? { mediaType: known } : await judgeReceived(received, plain);
  if ('refused' in judged) {
    await discard(received);
    return judged;
  }
  await keep(pembit.config, received);
  const { hash, size } = received;
  const { mediaType } = judged;
  const file: StoredFile = { id: randomUUID() as FileId, hash, name: plain, size, mediaType, owner };
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write((writer) => insertFile(writer, file, nowMs), { aside: true });
  return file;
}
