import { existsSync, renameSync } from 'node:fs';
import type { CourseId } from '@/core/ids';
import { openDatabase, select } from '@/data/database';
import { lockFolder } from '@/data/folderLock';
import { allOutlets, writeTokenHash } from '@/data/outlets/outlets';
import { createWriteQueue } from '@/data/writeQueue';
import type { Config } from '../config';
import { outletHash } from '../outlets/publish';
import { joinHash } from '../people/joining';
import { readSecret, writeSecret } from '../secretFile';

/**
 * Makes another secret, for a school that has lost its own: every published address and joining address becomes another one, and
 * second steps of signing in have to be set up anew. Answers how many outlets have other addresses now.
 * @throws Error with a sentence while a server holds the folder.
 */
export async function newSecret(config: Config, at: string): Promise<number> {
  const unlock = await lockFolder(config.dataFolder);
  const sequelize = openDatabase(config.dataFolder);
  try {
    if (existsSync(config.secretFile)) renameSync(config.secretFile, `${config.secretFile}-until-${at.replace(/[^0-9TZ]/g, '')}`); // prettier-ignore
    writeSecret(config.secretFile);
    const secret = readSecret(config.secretFile);
    const outlets = await allOutlets({ sequelize });
    await createWriteQueue(sequelize).write(async (writer) => {
      const run = (sql: string, replacements: Record<string, unknown> = {}) =>
        sequelize.query(sql, { replacements, transaction: writer.transaction });
      for (const outlet of outlets) await writeTokenHash(writer, outlet.id, outletHash({ secret }, outlet));
      const open = await select<{ id: CourseId; join_generation: number }>(writer, 'SELECT id, join_generation FROM courses WHERE join_hash IS NOT NULL'); // prettier-ignore
      for (const { id, join_generation: generation } of open)
        await run('UPDATE courses SET join_hash = :hash WHERE id = :id', { id, hash: joinHash(secret, id, generation) }); // prettier-ignore
      // They are encrypted with the secret that is gone.
      await run('DELETE FROM second_steps');
    });
    return outlets.length;
  } finally {
    await sequelize.close();
    await unlock();
  }
}
