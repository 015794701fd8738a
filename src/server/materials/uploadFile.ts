import { randomUUID } from 'node:crypto';
import { fileTypeFromFile } from 'file-type';
import type { FileId, PersonId } from '@/core/ids';
import { LARGEST_FILE, LARGEST_PACKAGE, judgeFile, plainFileName } from '@/core/materials/fileTypes';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { fileTexts } from '@/core/texts/files';
import type { StoredFile } from '@/data/materials/files';
import { insertFile } from '@/data/materials/files';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Received } from './fileStore';
import { discard, isTextFile, keep, receive } from './fileStore';

export type Uploaded = Pick<StoredFile, 'id' | 'name' | 'mediaType' | 'size'>;
type Upload = Readonly<{ name: string; package?: boolean; body: ReadableStream<Uint8Array> | null }>;

/** Keeps a file that staff send: its type is told by its content, and must be one of those that are kept. */
export async function uploadFile(
  pembit: Pembit,
  actor: SignedIn,
  { name, package: isPackage = false, body }: Upload,
): Promise<Outcome<Uploaded>> {
  if (actor.viewer.kind !== 'person' || actor.viewer.staffOf.size === 0) return refused('notYours');
  const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);
  if (!body) return bad(fileTexts.empty);
  const largest = isPackage ? LARGEST_PACKAGE : LARGEST_FILE;
  const received = await receive(pembit.config, body, largest);
  if (!received) return bad(fileTexts.tooLarge(largest));
  const kept = await keepReceived(pembit, received, { name, owner: actor.person.id });
  return 'refused' in kept ? bad(kept.refused) : done(kept);
}

/** The type that a received file is kept as, or a sentence that says why it is not. */
export async function judgeReceived(
  received: Received,
  name: string,
): Promise<Readonly<{ mediaType: string } | { refused: string }>> {
  if (received.size === 0) return { refused: fileTexts.empty };
  const found = await fileTypeFromFile(received.path);
  const judged = judgeFile(name, found?.mime, !found && (await isTextFile(received.path)));
  return 'refused' in judged ? { refused: fileTexts[judged.refused](name) } : judged;
}

/** Judges what was received and keeps it, or throws it away with a sentence. */
export async function keepReceived(
  pembit: Pembit,
  received: Received,
  { name, owner }: Readonly<{ name: string; owner: PersonId }>,
): Promise<StoredFile | Readonly<{ refused: string }>> {
  const plain = plainFileName(name);
  const judged = await judgeReceived(received, plain);
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
