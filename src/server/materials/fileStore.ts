import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, mkdirSync } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Config } from '../config';

/** Where the bytes of a file lie: in the data folder, under their SHA-256, in folders of its first two digits. */
export const storedPath = (config: Config, hash: string): string =>
  path.join(config.dataFolder, 'files', hash.slice(0, 2), hash);

/** What was received, waiting in a file of its own to be kept or thrown away. */
export type Received = Readonly<{ path: string; hash: string; size: number }>;

class TooLarge extends Error {}

/** Writes a stream to a file of its own, counting and hashing; undefined when there is more than `largest` bytes. */
export async function receive(
  config: Config,
  body: ReadableStream<Uint8Array> | Readable,
  largest: number,
): Promise<Received | undefined> {
  const folder = path.join(config.dataFolder, 'files', 'incoming');
  mkdirSync(folder, { recursive: true });
  const target = path.join(folder, randomUUID());
  const hash = createHash('sha256');
  let size = 0;
  const count = new Transform({
    transform(chunk: Buffer, _, next) {
      size += chunk.length;
      if (size > largest) return next(new TooLarge());
      hash.update(chunk);
      next(null, chunk);
    },
  });
  const source =
    body instanceof Readable ? body : Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]);
  try {
    await pipeline(source, count, createWriteStream(target));
    return { path: target, hash: hash.digest('hex'), size };
  } catch (error) {
    await rm(target, { force: true });
    if (error instanceof TooLarge) return undefined;
    throw error;
  }
}

/** Moves what was received to its place; the same bytes are kept once. */
export async function keep(config: Config, { path: from, hash }: Received): Promise<void> {
  const to = storedPath(config, hash);
  if (existsSync(to)) return rm(from, { force: true });
  mkdirSync(path.dirname(to), { recursive: true });
  await rename(from, to);
}

export const discard = ({ path: from }: Received): Promise<void> => rm(from, { force: true });

export const removeStored = (config: Config, hash: string): Promise<void> =>
  rm(storedPath(config, hash), { force: true });

/** Both ends included, as HTTP counts. */
export const readStored = (
  config: Config,
  hash: string,
  range?: Readonly<{ start: number; end: number }>,
): ReadableStream<Uint8Array> =>
  Readable.toWeb(createReadStream(storedPath(config, hash), range)) as ReadableStream<Uint8Array>;

export const isStored = (config: Config, hash: string): Promise<boolean> =>
  stat(storedPath(config, hash)).then(
    () => true,
    () => false,
  );

/** Whether a file is text: UTF-8 without zeros, as far as its first 64 kB show. */
export async function isTextFile(file: string): Promise<boolean> {
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(65_536), 0, 65_536, 0);
    const head = buffer.subarray(0, bytesRead);
    if (head.includes(0)) return false;
    // A character may be cut by the end of what was read.
    new TextDecoder('utf-8', { fatal: true }).decode(head, { stream: true });
    return !/^\s*<(!doctype|html|svg|\?xml|script)/i.test(head.subarray(0, 1000).toString('utf8'));
  } catch {
    return false;
  } finally {
    await handle.close();
  }
}
