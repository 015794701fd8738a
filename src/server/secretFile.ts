import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** The server's secret, made on first start, kept apart from the database. Addresses of outlets hang on it. */
export function readSecret(file: string): Buffer {
  if (!existsSync(file)) {
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600, flag: 'wx' });
  }
  const secret = Buffer.from(readFileSync(file, 'utf8').trim(), 'base64url');
  if (secret.length < 32)
    throw new Error(
      'The secret file is damaged. Put back the one from the backup: without it all published addresses change.',
    );
  return secret;
}
