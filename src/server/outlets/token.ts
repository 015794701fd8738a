import { createHash, createHmac } from 'node:crypto';
import type { OutletId } from '@/core/ids';

/** The secret part of an outlet's address, 256 bits: replaced by raising the generation. */
export const outletToken = (secret: Buffer, id: OutletId, generation: number): string =>
  createHmac('sha256', secret).update(`outlet ${id} ${generation}`).digest('base64url');

/** What the database knows of a token: enough to find it, not to make it. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
