import type { Reader } from '@/data/reader';
import { rowVersion } from '@/data/rowVersion';
import type { Table } from '@/data/rows';
import type { SignedIn } from './session';

/** The row that a request is about. */
export type Subject = Readonly<{ table: Table; id: string }>;
export type SubjectTable = Table;

/** The ETag of a row (RFC 9110); undefined where there is none. */
export async function etagOf(reader: Reader, { table, id }: Subject): Promise<string | undefined> {
  const version = await rowVersion(reader, table, id);
  return version && `"${version}"`;
}

/** Whoever asks with If-Match: what they do is refused unless the row is still what one of the tags says. */
export function onCondition(actor: SignedIn, ifMatch: string | null, subject: Subject): SignedIn {
  if (ifMatch === null || ifMatch.trim() === '*') return actor;
  const tags = ifMatch.split(/\s*,\s*/);
  const unchanged = async (reader: Reader) => {
    const now = await etagOf(reader, subject);
    return now !== undefined && tags.includes(now);
  };
  return { ...actor, unchanged };
}
