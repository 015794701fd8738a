import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** A key pair of ours; `sealed` is the private half, which the server's secret alone opens, `public` a JWK (RFC 7517) as JSON. */
export type KeptKey = Readonly<{ kid: string; sealed: string; public: string; createdAtMs: number }>;

/** The newest first. */
export async function keptKeys(reader: Reader): Promise<KeptKey[]> {
  const rows = await select<Omit<KeptKey, 'createdAtMs'> & { created_at: number }>(
    reader,
    'SELECT kid, sealed, public, created_at FROM lti_keys ORDER BY created_at DESC, kid',
  );
  return rows.map(({ created_at: at, ...row }) => ({ ...row, createdAtMs: Number(at) }));
}

export const insertKey = (writer: Writer, key: KeptKey) =>
  run(
    writer,
    'INSERT INTO lti_keys (kid, sealed, public, created_at) VALUES (:kid, :sealed, :public, :createdAtMs)',
    key,
  );

/** Forgets keys that were made before an instant. */
export const removeKeysBefore = (writer: Writer, ms: number) =>
  run(writer, 'DELETE FROM lti_keys WHERE created_at < :ms', { ms });
