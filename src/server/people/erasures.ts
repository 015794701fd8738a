import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { personId } from '@/core/ids';
import type { Reader } from '@/data/reader';
import { peopleById, personById } from '@/data/people/people';
import { erasePerson } from '@/data/people/personalData';
import type { WriteQueue } from '@/data/writeQueue';

const erasure = z.object({ id: personId, at: z.number() });
type Erasure = z.output<typeof erasure>;

/** Whom the school has erased, by id, apart from the database: a restored one does not bring them back. */
export const erasuresFile = (folder: string): string => path.join(folder, 'erasures.jsonl');

/** Notes an erasure before it is done: one that is noted and was not done is done again with the next restore. */
export function noteErasure(folder: string, entry: Erasure): void {
  appendFileSync(erasuresFile(folder), `${JSON.stringify(entry)}\n`, { mode: 0o600 });
}

/** All erasures that a folder knows of; a line cut off by a crash is left out. */
export function erasuresIn(folder: string): Erasure[] {
  const file = erasuresFile(folder);
  if (!existsSync(file)) return [];
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      try {
        const read = erasure.safeParse(JSON.parse(line));
        return read.success ? [read.data] : [];
      } catch {
        return [];
      }
    });
}

/** Erases again whoever was erased and is there all the same, as after a restore. Answers how many. */
export async function eraseAgain(
  { sequelize, queue }: Readonly<{ sequelize: Reader['sequelize']; queue: WriteQueue }>,
  folder: string,
  nowMs: number,
): Promise<number> {
  const ids = [...new Set(erasuresIn(folder).map(({ id }) => id))];
  if (ids.length === 0) return 0;
  const there = await peopleById({ sequelize }, ids);
  for (const { id } of there)
    await queue.write(async (writer) => {
      const person = await personById(writer, id);
      if (person) await erasePerson(writer, person, nowMs);
    });
  return there.length;
}
