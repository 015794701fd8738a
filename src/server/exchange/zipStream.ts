import type { Readable } from 'node:stream';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

export type ZipPart = Readonly<{ name: string; body: Readable; pack: boolean }>;

/** A zip of some parts, made while it is read: no part is held in memory whole. */
export async function* zipStream(parts: Iterable<ZipPart>): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    ready.push(chunk);
  });
  for (const { name, body, pack } of parts) {
    const entry = pack ? new ZipDeflate(name) : new ZipPassThrough(name);
    zip.add(entry);
    for await (const chunk of body) {
      entry.push(chunk as Uint8Array);
      yield* ready.splice(0);
    }
    entry.push(new Uint8Array(), true);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}
