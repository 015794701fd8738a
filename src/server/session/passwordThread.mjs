// The body of a thread that hashes passwords, and nothing else. It is plain JavaScript: threads begin without TypeScript.
import { scryptSync, timingSafeEqual } from 'node:crypto';
import argon2 from '@node-rs/argon2';

// OWASP's Password Storage Cheat Sheet names 19 MiB, two passes and one lane for Argon2id (from memory).
const COST = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Hashes of before: `scrypt$N$r$p$salt$key`. */
function verifyScrypt(password, hash) {
  const [, n, r, p, salt = '', key = ''] = hash.split('$');
  const expected = Buffer.from(key, 'base64url');
  const cost = { N: Number(n), r: Number(r), p: Number(p), maxmem: 256 * 1024 * 1024 };
  const derived = scryptSync(password, Buffer.from(salt, 'base64url'), 32, cost);
  return expected.length === derived.length && timingSafeEqual(expected, derived);
}

/** @param {{ password: string, hash?: string }} asked With a hash: whether it fits; without: the hash. */
export default function passwordThread({ password, hash }) {
  const text = password.normalize('NFC');
  if (hash === undefined) return argon2.hashSync(text, COST);
  if (hash.startsWith('scrypt$')) return verifyScrypt(text, hash);
  return hash.startsWith('$argon2id$') && argon2.verifySync(hash, text);
}
