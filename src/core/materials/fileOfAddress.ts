import type { FileId } from '../ids';
import { fileId } from '../ids';
import { FILE_PATH } from './material';

/** The uploaded file that an address of Pembit's own leads to. */
export function fileOfAddress(url: string): FileId | undefined {
  const id = url.startsWith(FILE_PATH) ? fileId.safeParse(url.slice(FILE_PATH.length)) : undefined;
  return id?.success ? id.data : undefined;
}
