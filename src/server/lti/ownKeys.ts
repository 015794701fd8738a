import { randomUUID } from 'node:crypto';
import type { JWK, JWTPayload } from 'jose';
import { SignJWT, exportJWK, generateKeyPair, importJWK } from 'jose';
import type { KeptKey } from '@/data/lti/keys';
import { insertKey, keptKeys, removeKeysBefore } from '@/data/lti/keys';
import type { Pembit } from '../pembit';
import { seal, unseal } from '../session/sealed';

const DAY_MS = 24 * 3_600_000;
/** A key signs for so long, and is shown for a month more: what it signed may still be on its way. */
const SIGNS_MS = 90 * DAY_MS;
const SHOWN_MS = SIGNS_MS + 30 * DAY_MS;
/** A new key is shown for a day before it signs: sites look at keys again when they meet an unknown one, some only each day. */
const AHEAD_MS = DAY_MS;
const ALG = 'RS256';

const sealing = (kid: string) => ({ purpose: 'course site', of: kid }) as const;

async function makeKey(pembit: Pembit): Promise<KeptKey> {
  const { privateKey, publicKey } = await generateKeyPair(ALG, { extractable: true });
  const kid = randomUUID();
  const key = {
    kid,
    sealed: seal(pembit, sealing(kid), JSON.stringify(await exportJWK(privateKey))),
    public: JSON.stringify({ ...(await exportJWK(publicKey)), kid, alg: ALG, use: 'sig' }),
    createdAtMs: pembit.now().epochMilliseconds,
  };
  return pembit.queue.write(
    async (writer) => {
      // Two may have found that there is none.
      const [other] = await keptKeys(writer);
      if (other && key.createdAtMs - other.createdAtMs < AHEAD_MS) return other;
      await insertKey(writer, key);
      return key;
    },
    { aside: true },
  );
}

/** The keys that sign and are shown, the newest first; there always is one. */
async function keysNow(pembit: Pembit): Promise<readonly KeptKey[]> {
  const keys = await keptKeys(pembit);
  return keys.length > 0 ? keys : [await makeKey(pembit)];
}

/** What sites check our signatures by: a JWK set (RFC 7517, 5). */
export async function publicKeys(pembit: Pembit): Promise<{ keys: JWK[] }> {
  return { keys: (await keysNow(pembit)).map((key) => JSON.parse(key.public) as JWK) };
}

/** Signs claims with a key that sites have had the time to see; they hold for five minutes. */
export async function signForSite(pembit: Pembit, claims: JWTPayload): Promise<string> {
  const nowMs = pembit.now().epochMilliseconds;
  const keys = await keysNow(pembit);
  const key = keys.find(({ createdAtMs }) => nowMs - createdAtMs >= AHEAD_MS) ?? keys.at(-1)!;
  const jwk = JSON.parse(unseal(pembit, sealing(key.kid), key.sealed)) as JWK;
  const now = Math.floor(nowMs / 1000);
  return new SignJWT({ ...claims, iat: now, exp: now + 300, jti: randomUUID() })
    .setProtectedHeader({ alg: ALG, kid: key.kid, typ: 'JWT' })
    .sign(await importJWK(jwk, ALG));
}

/** Makes a new key in time, and forgets those that sign nothing any more. */
export async function rotateKeys(pembit: Pembit): Promise<void> {
  const [newest] = await keptKeys(pembit);
  if (!newest) return;
  const nowMs = pembit.now().epochMilliseconds;
  if (nowMs - newest.createdAtMs >= SIGNS_MS - AHEAD_MS) await makeKey(pembit);
  await pembit.queue.write((writer) => removeKeysBefore(writer, nowMs - SHOWN_MS), { aside: true });
}
