import { createHmac, timingSafeEqual } from 'node:crypto';

/** Proves that something was said by whoever can read the server's secret. `what` keeps proofs of one thing from another. */
export const proofOf = (secret: Buffer, what: string, said: unknown): string =>
  createHmac('sha256', secret)
    .update(`${what} ${JSON.stringify(said)}`)
    .digest('base64url');

export function isProven(secret: Buffer, what: string, said: unknown, proof: string): boolean {
  const [expected, given] = [Buffer.from(proofOf(secret, what, said)), Buffer.from(proof)];
  return expected.length === given.length && timingSafeEqual(expected, given);
}
