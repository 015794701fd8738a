import { createECDH, hkdfSync } from 'node:crypto';

/** The server's own key pair for notices (RFC 8292, P-256), base64url. */
export type PushKeys = Readonly<{ publicKey: string; privateKey: string }>;

/** Made of the secret, so that it lasts as long as the secret does, and is the same in every process. */
export function pushKeys(secret: Buffer): PushKeys {
  for (let attempt = 0; ; attempt += 1) {
    const ecdh = createECDH('prime256v1');
    try {
      ecdh.setPrivateKey(Buffer.from(hkdfSync('sha256', secret, '', `web push ${attempt}`, 32)));
    } catch {
      // Beyond the order of the curve: one of four billion is.
      continue;
    }
    return { publicKey: ecdh.getPublicKey('base64url'), privateKey: ecdh.getPrivateKey('base64url') };
  }
}
