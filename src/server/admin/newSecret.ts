import { existsSync, renameSync } from 'node:fs';
import { openStore } from '@/data/database';
import { takePlace } from '@/data/serving';
import { allGuardians, replaceGuardian } from '@/data/guardians/guardians';
import { allOutlets, writeTokenHash } from '@/data/outlets/outlets';
import { openForJoining, writeJoinHash } from '@/data/people/joining';
import { deleteSecondSteps } from '@/data/people/secondSteps';
import { createWriteQueue } from '@/data/writeQueue';
import type { Config } from '../config';
import { guardianHash } from '../guardians/guardianAddress';
import { outletHash } from '../outlets/publish';
import { joinHash } from '../people/joining';
import { readSecret, writeSecret } from '../secretFile';

/**
 * Makes another secret, for a school that has lost its own: every published address, guardian's address and joining address becomes another one, and
 * second steps of signing in have to be set up anew. Answers how many outlets have other addresses now.
 * @throws Error with a sentence while a server holds the folder or the database.
 */
export async function newSecret(config: Config, at: string): Promise<number> {
  const unlock = await takePlace(config);
  const sequelize = openStore(config);
  try {
    if (existsSync(config.secretFile)) renameSync(config.secretFile, `${config.secretFile}-until-${at.replace(/[^0-9TZ]/g, '')}`); // prettier-ignore
    writeSecret(config.secretFile);
    const secret = readSecret(config.secretFile);
    const outlets = await allOutlets({ sequelize });
    await createWriteQueue(sequelize).write(async (writer) => {
      for (const outlet of outlets) await writeTokenHash(writer, outlet.id, outletHash({ secret }, outlet));
      // `replaceGuardian` writes both: the generation stays.
      for (const guardian of await allGuardians(writer))
        await replaceGuardian(writer, guardian.id, {
          generation: guardian.generation,
          hash: guardianHash({ secret }, guardian),
        });
      for (const { id, generation } of await openForJoining(writer))
        await writeJoinHash(writer, id, joinHash(secret, id, generation));
      // They are encrypted with the secret that is gone.
      await deleteSecondSteps(writer);
    });
    return outlets.length;
  } finally {
    await sequelize.close();
    await unlock();
  }
}
