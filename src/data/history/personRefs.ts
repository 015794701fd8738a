import type { Reader } from '../reader';
import { select } from '../database';

/** How a summary of the history names a person: by reference, so that it follows the name and goes with the person. */
export const refTo = (person: string): string => `{{person ${person}}}`;

const REF = /\{\{person ([0-9a-f-]{36})\}\}/g;

/** Texts with the names that people have now; whoever is gone is `gone`. */
export async function withNames<T extends Readonly<{ summary: string }>>(
  reader: Reader,
  lines: readonly T[],
  gone: string,
): Promise<T[]> {
  const ids = [...new Set(lines.flatMap(({ summary }) => [...summary.matchAll(REF)].map((m) => m[1]!)))];
  if (ids.length === 0) return [...lines];
  const rows = await select<{ id: string; name: string }>(
    reader,
    'SELECT id, name FROM people WHERE id IN (:ids)',
    { ids },
  );
  const names = new Map(rows.map(({ id, name }) => [id, name]));
  const named = (text: string) => text.replace(REF, (_, id: string) => names.get(id) ?? gone);
  return lines.map((line) => ({ ...line, summary: named(line.summary) }));
}
