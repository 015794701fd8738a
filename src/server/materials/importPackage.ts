import { randomUUID } from 'node:crypto';
import type { CartridgeReading } from '@/core/exchange/readCartridge';
import { textsNeeded } from '@/core/exchange/readCartridge';
import { LARGEST_XML } from '@/core/exchange/decodeXml';
import type { CourseId, FileId, MaterialId } from '@/core/ids';
import type { CartridgeComparison, ReadyItem } from '@/core/materials/compareCartridge';
import { compareCartridge, kindFrom } from '@/core/materials/compareCartridge';
import { LARGEST_FILE, isRecording } from '@/core/materials/fileTypes';
import type { Material } from '@/core/materials/material';
import { placesAtEnd } from '@/core/materials/outline';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused, refusedBecause } from '@/core/refusals';
import { packageTexts } from '@/core/texts/packages';
import type { Reader } from '@/data/reader';
import { filesById } from '@/data/materials/files';
import { insertMaterials, replaceMaterial } from '@/data/materials/materials';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { Report } from '../progress';
import type { SignedIn } from '../session/session';
import type { Received } from './fileStore';
import { discard, receive, storedPath } from './fileStore';
import type { CourseOutline } from './outlineFor';
import { outlineFor } from './outlineFor';
import type { Package } from './openPackage';
import { openPackage } from './openPackage';
import { roomError } from './checkedLinks';
import { judgeReceived, keepReceived } from './uploadFile';
import { TooMuch, inForeignThread } from '../worker/inForeignThread';

type Progress = Readonly<{ report: Report; signal: AbortSignal }>;
type Skipped = Readonly<{ title: string; why: string }>;
type Unpacked = Readonly<{
  items: readonly ReadyItem[];
  skipped: readonly Skipped[];
  /** What was unpacked, by item; it is kept or thrown away afterwards. */
  received: ReadonlyMap<string, Readonly<{ file: Received; name: string }>>;
}>;

const bad = (message: string): Refused => refused('badRequest', [{ field: 'file', message }]);
const STOPPED = bad(packageTexts.stopped);

/** Reads an uploaded package; its files are unpacked beside, to be judged by their content. */
async function unpack(
  pembit: Pembit,
  actor: SignedIn,
  id: FileId,
  progress: Progress,
): Promise<Outcome<Unpacked>> {
  const [file] = await filesById(pembit, [id]);
  if (!file || file.owner !== actor.person.id) return refused('notFound');
  const opened = await openPackage(storedPath(pembit.config, file.hash));
  if ('refused' in opened) return bad(packageTexts.refusals[opened.refused]);
  try {
    const bytes = await opened.read('imsmanifest.xml', LARGEST_XML);
    if (!bytes) return bad(packageTexts.refusals.noManifest);
    const manifest = await inForeignThread('manifest', bytes);
    if ('refused' in manifest) return bad(packageTexts.refusals[manifest.refused]);
    const texts = new Map<string, Buffer>();
    for (const name of textsNeeded(manifest)) {
      const text = await opened.read(name, LARGEST_XML);
      if (text) texts.set(name, text);
    }
    const read = await inForeignThread('cartridge', { manifest, texts, names: opened.names });
    return await unpackFiles(pembit, opened, read, progress);
  } catch (error) {
    if (error instanceof TooMuch) return bad(packageTexts.tooMuch);
    // What a zip says of its files shows only while they are unpacked.
    return bad(packageTexts.refusals.notZip);
  } finally {
    opened.close();
  }
}

async function unpackFiles(
  pembit: Pembit,
  opened: Package,
  { items, skipped }: CartridgeReading,
  { report, signal }: Progress,
): Promise<Outcome<Unpacked>> {
  const ready: ReadyItem[] = [];
  const received = new Map<string, { file: Received; name: string }>();
  const left: Skipped[] = skipped.map(({ title, reason }) => ({ title, why: packageTexts.skipped[reason] }));
  for (const [i, item] of items.entries()) {
    if (signal.aborted) {
      await discardAll(received);
      return STOPPED;
    }
    report(i + 1, items.length);
    if (item.file === undefined) {
      ready.push(item);
      continue;
    }
    const name = item.file.split('/').at(-1) ?? item.file;
    const file = await receive(pembit.config, (await opened.stream(item.file))!, LARGEST_FILE);
    const judged = file && (await judgeReceived(file, name));
    if (!file || !judged || 'refused' in judged) {
      if (file) await discard(file);
      left.push({
        title: item.title,
        why: judged && 'refused' in judged ? judged.refused : packageTexts.skipped.tooLarge,
      });
      continue;
    }
    received.set(item.id, { file, name });
    ready.push({ ...item, hash: file.hash, recording: isRecording(judged.mediaType) });
  }
  return done({ items: ready, skipped: left, received });
}

async function discardAll(received: Unpacked['received']): Promise<void> {
  for (const { file } of received.values()) await discard(file);
}

async function compare(
  reader: Reader,
  items: readonly ReadyItem[],
  materials: readonly Material[],
): Promise<CartridgeComparison> {
  const files = await filesById(
    reader,
    materials.flatMap((material) => material.file ?? []),
  );
  const hashes = new Map(files.map((file) => [file.id, file.hash]));
  return compareCartridge(items, materials, (material) => material.file && hashes.get(material.file));
}

export type PackagePreview = Readonly<{
  lines: readonly Readonly<{
    title: string;
    kind: Material['kind'];
    depth: number;
    state: 'new' | 'changed' | 'same';
  }>[];
  skipped: readonly Skipped[];
  gone: readonly string[];
}>;

/** What a package would add and change; nothing is kept. */
export async function previewPackage(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  file: FileId,
  progress: Progress,
): Promise<Outcome<PackagePreview>> {
  const outline = await outlineFor(pembit, actor, course);
  if (!outline.ok) return outline;
  const read = await unpack(pembit, actor, file, progress);
  if (!read.ok) return read;
  const { items, skipped, received } = read.value;
  await discardAll(received);
  const { lines, gone } = await compare(pembit, items, outline.value.materials);
  const depths = new Map<string, number>();
  for (const { id, parent } of items)
    depths.set(id, parent === undefined ? 0 : (depths.get(parent) ?? -1) + 1);
  return done({
    lines: lines.map(({ item, state }) => ({
      title: item.title,
      kind: kindFrom(item),
      depth: depths.get(item.id) ?? 0,
      state,
    })),
    skipped,
    gone: gone.map((material) => material.title),
  });
}

export type PackageImport = Readonly<{ added: number; changed: number; skipped: number }>;

/** Brings a package into the outline as the preview showed it: one act, undone as one. The same package again changes nothing. */
export async function importPackage(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  file: FileId,
  progress: Progress,
): Promise<Outcome<PackageImport>> {
  const allowed = await outlineFor(pembit, actor, course);
  if (!allowed.ok) return allowed;
  const read = await unpack(pembit, actor, file, progress);
  if (!read.ok) return read;
  const { items, skipped, received } = read.value;
  const before = await compare(pembit, items, allowed.value.materials);
  const files = new Map<string, FileId>();
  for (const { item, state } of before.lines) {
    const found = received.get(item.id);
    if (!found) continue;
    if (state === 'same' || progress.signal.aborted) await discard(found.file);
    else {
      const kept = await keepReceived(pembit, found.file, { name: found.name, owner: actor.person.id });
      if (!('refused' in kept)) files.set(item.id, kept.id);
    }
  }
  if (progress.signal.aborted) return STOPPED;
  return perform(pembit, actor, 'importPackage', async (change) => {
    const outline = await outlineFor(change, actor, course);
    if (!outline.ok) return outline;
    const full = await roomError(change, [course], [...files.values()]);
    if (full) return refusedBecause('noRoomForFiles', full);
    const { lines } = await compare(change, items, outline.value.materials);
    const now = pembit.now();
    const { changed, fresh } = materialsFrom({ ...outline.value, lines, files, now });
    for (const material of changed) await replaceMaterial(change, material, outline.value.tzid);
    await insertMaterials(change, fresh, outline.value.tzid);
    change.summarise(packageTexts.imported({ added: fresh.length, changed: changed.length }));
    return done({ added: fresh.length, changed: changed.length, skipped: skipped.length });
  });
}

type Bringing = Pick<CourseOutline, 'materials' | 'course'> &
  Readonly<{
    lines: CartridgeComparison['lines'];
    files: ReadonlyMap<string, FileId>;
    now: Material['created'];
  }>;

/** New materials go to the end of their unit; what is there already keeps its place. */
function materialsFrom({ materials, course, lines, files, now }: Bringing) {
  const idOf = new Map<string, MaterialId>();
  for (const { item, known } of lines) idOf.set(item.id, known?.id ?? (randomUUID() as MaterialId));
  const atEnd = placesAtEnd(materials);
  const changed: Material[] = [];
  const fresh: Material[] = [];
  for (const { item, state, known } of lines) {
    if (state === 'same') continue;
    // Its file was not kept: somebody else changed the outline meanwhile, and what they have stays.
    if (item.file !== undefined && !files.has(item.id)) continue;
    const { title, url, text } = item;
    const content = {
      kind: kindFrom(item),
      title,
      url,
      text,
      file: files.get(item.id),
      source: { id: item.id, path: item.path },
    };
    if (known) {
      changed.push({ ...known, ...content });
      continue;
    }
    const parent = item.parent === undefined ? undefined : idOf.get(item.parent);
    fresh.push({
      ...content,
      id: idOf.get(item.id)!,
      course: course.id,
      parent,
      position: atEnd(parent),
      sequence: 0,
      created: now,
      lastModified: now,
    });
  }
  return { changed, fresh };
}
