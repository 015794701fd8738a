import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

// OWASP's Password Storage Cheat Sheet names N=2^17, r=8, p=1 for scrypt (from memory).
const COST = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };

const derive = (password: string, salt: Buffer, cost: { N: number; r: number; p: number }): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(password.normalize('NFC'), salt, 32, { ...cost, maxmem: COST.maxmem }, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** `scrypt$N$r$p$salt$key`: the cost is kept with the hash, so that it can be raised later. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(password, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64url'), key.toString('base64url')].join('$');
}

export async function verifyPassword(password: string, hash: string): Promise<boolean> {
  const [scheme, n, r, p, salt = '', key = ''] = hash.split('$');
  if (scheme !== 'scrypt') return false;
  const expected = Buffer.from(key, 'base64url');
  const derived = await derive(password, Buffer.from(salt, 'base64url'), {
    N: Number(n),
    r: Number(r),
    p: Number(p),
  });
  return expected.length === derived.length && timingSafeEqual(expected, derived);
}

/** Takes as long as a real check, so that an unknown address does not answer sooner than a wrong password. */
export async function verifyNobody(password: string): Promise<false> {
  await derive(password, Buffer.alloc(16), COST);
  return false;
}
