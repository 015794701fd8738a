import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import type { Pembit } from '../pembit';

/** What a secret is for, and whose it is: what was sealed for one opens for no other. */
type Sealing = Readonly<{ purpose: 'second step' | 'webhook' | 'course site'; of: string }>;

const keyOf = ({ secret }: Pick<Pembit, 'secret'>, { purpose }: Sealing) =>
  Buffer.from(hkdfSync('sha256', secret, '', `pembit ${purpose}`, 32));

/** A copy of the database alone shows no secret: they are encrypted (AES-256-GCM) with a key of the server's own. */
export function seal(pembit: Pick<Pembit, 'secret'>, sealing: Sealing, text: string): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', keyOf(pembit, sealing), iv).setAAD(Buffer.from(sealing.of));
  const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([iv, cipher.getAuthTag(), body]).toString('base64url');
}

/** @throws Error where it was sealed for something else, with another key, or was changed. */
export function unseal(pembit: Pick<Pembit, 'secret'>, sealing: Sealing, sealed: string): string {
  const bytes = Buffer.from(sealed, 'base64url');
  const decipher = createDecipheriv('aes-256-gcm', keyOf(pembit, sealing), bytes.subarray(0, 12))
    .setAAD(Buffer.from(sealing.of))
    .setAuthTag(bytes.subarray(12, 28));
  return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]).toString('utf8');
}
