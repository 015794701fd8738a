import { fileOfAddress } from '@/core/materials/fileOfAddress';
import { fileAddress } from '@/core/materials/material';
import type { InPlace } from '@/core/materials/shownInPlace';
import { shownInPlace } from '@/core/materials/shownInPlace';
import { filesById } from '@/data/materials/files';
import type { Pembit } from '../pembit';

/** How the uploaded files among the links of a page show in place, by their addresses; each list holds what stands together. */
export async function filesInPlace(
  pembit: Pembit,
  lists: readonly (readonly string[])[],
): Promise<Readonly<Record<string, InPlace>>> {
  const files = await filesById(pembit, [
    ...new Set(lists.flat().flatMap((url) => fileOfAddress(url) ?? [])),
  ]);
  const fileOf = new Map(files.map(({ id, name, mediaType }) => [fileAddress(id), { name, mediaType }]));
  return Object.fromEntries(lists.flatMap((urls) => [...shownInPlace(urls, fileOf)]));
}
