import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const writeSecret = (file: string): void => {
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600, flag: 'wx' });
};

/**
 * The server's secret, kept apart from the database. Addresses of outlets hang on it.
 * @throws Error with a sentence where it is missing or damaged; `isNew`: nothing hangs on one yet, so it is made.
 */
export function readSecret(file: string, { isNew = false }: Readonly<{ isNew?: boolean }> = {}): Buffer {
  if (!existsSync(file)) {
    if (!isNew)
      throw new Error(
        'The secret file is missing, and addresses that people use hang on it. Put back the one from the backup, or accept that all published addresses change: npm run admin -- --new-secret',
      );
    writeSecret(file);
  }
  const secret = Buffer.from(readFileSync(file, 'utf8').trim(), 'base64url');
  if (secret.length < 32)
    throw new Error(
      'The secret file is damaged. Put back the one from the backup: without it all published addresses change.',
    );
  return secret;
}
