import type { Readable } from 'node:stream';
import yauzl from 'yauzl';
import type { Entry, ZipFile } from 'yauzl';

export type PackageRefusal =
  'notZip' | 'unsafePath' | 'tooManyFiles' | 'tooLargeInside' | 'packedTooTightly' | 'encrypted';

/** What a zip may hold: files, bytes in all, and how much larger a file may become than it is packed. */
export const PACKAGE_LIMITS = {
  files: 10_000,
  bytes: 2 * 1024 * 1024 * 1024,
  ratio: 200,
  /** Below this size a file is never too tightly packed. */
  ratioFrom: 1024 * 1024,
} as const;

export type Package = Readonly<{
  names: ReadonlySet<string>;
  /** The bytes of a file of the package, at most so many; undefined where there are more, or none of that name. */
  read: (name: string, largest: number) => Promise<Buffer | undefined>;
  stream: (name: string) => Promise<Readable | undefined>;
  close: () => void;
}>;

/**
 * Opens a zip and looks through its directory before anything is unpacked: names that lead out of it, sizes that do not
 * fit, and files that unpack to far more than they say are refused.
 */
export async function openPackage(path: string): Promise<Package | Readonly<{ refused: PackageRefusal }>> {
  let zip: ZipFile;
  try {
    zip = await yauzl.openPromise(path, { lazyEntries: true, autoClose: false, strictFileNames: false });
  } catch {
    return { refused: 'notZip' };
  }
  if (zip.entryCount > PACKAGE_LIMITS.files) return refuse(zip, 'tooManyFiles');
  const entries = new Map<string, Entry>();
  let bytes = 0;
  try {
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/')) continue;
      if (entry.isEncrypted()) return refuse(zip, 'encrypted');
      bytes += entry.uncompressedSize;
      if (bytes > PACKAGE_LIMITS.bytes) return refuse(zip, 'tooLargeInside');
      if (
        entry.uncompressedSize > PACKAGE_LIMITS.ratioFrom &&
        entry.uncompressedSize > entry.compressedSize * PACKAGE_LIMITS.ratio
      )
        return refuse(zip, 'packedTooTightly');
      entries.set(entry.fileName, entry);
    }
  } catch (error) {
    // The library refuses names that are absolute, climb up or hold a backslash.
    return refuse(
      zip,
      /relative path|absolute path|invalid characters/.test(String(error)) ? 'unsafePath' : 'notZip',
    );
  }
  const stream = async (name: string) => {
    const entry = entries.get(name);
    return entry && (await zip.openReadStreamPromise(entry));
  };
  return {
    names: new Set(entries.keys()),
    stream,
    read: async (name, largest) => {
      const entry = entries.get(name);
      if (!entry || entry.uncompressedSize > largest) return undefined;
      const chunks: Buffer[] = [];
      for await (const chunk of (await stream(name))!) chunks.push(chunk as Buffer);
      return Buffer.concat(chunks);
    },
    close: () => zip.close(),
  };
}

function refuse(zip: ZipFile, reason: PackageRefusal): { refused: PackageRefusal } {
  zip.close();
  return { refused: reason };
}
