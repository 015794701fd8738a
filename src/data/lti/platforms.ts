import type { Platform } from '@/core/lti/platform';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

type Row = Readonly<{
  id: string;
  name: string;
  issuer: string;
  client_id: string;
  keys_url: string;
  auth_url: string;
  token_url: string;
  token_audience: string;
  origins: string;
  asks_names: number;
  accepted: number;
}>;

async function find(reader: Reader, where: string, values: Record<string, unknown>): Promise<Platform[]> {
  const rows = await select<Row>(reader, `SELECT * FROM lti_platforms WHERE ${where} ORDER BY created_at, id`, values); // prettier-ignore
  if (rows.length === 0) return [];
  const deployments = await select<{ platform_id: string; deployment: string }>(
    reader,
    'SELECT platform_id, deployment FROM lti_deployments WHERE platform_id IN (:ids) ORDER BY deployment',
    { ids: rows.map(({ id }) => id) },
  );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    issuer: row.issuer,
    clientId: row.client_id,
    keysUrl: row.keys_url,
    authUrl: row.auth_url,
    tokenUrl: row.token_url,
    tokenAudience: row.token_audience,
    origins: JSON.parse(row.origins) as string[],
    deployments: deployments.filter(({ platform_id: id }) => id === row.id).map((one) => one.deployment),
    asksNames: row.asks_names === 1,
    accepted: row.accepted === 1,
  }));
}

export const everyPlatform = (reader: Reader): Promise<Platform[]> => find(reader, '1 = 1', {});

export const platformById = async (reader: Reader, id: string): Promise<Platform | undefined> =>
  (await find(reader, 'id = :id', { id }))[0];

/** The registrations of a site, all of them or the one with a client id. */
export const platformsOf = (reader: Reader, issuer: string, clientId?: string): Promise<Platform[]> =>
  clientId === undefined
    ? find(reader, 'issuer = :issuer', { issuer })
    : find(reader, 'issuer = :issuer AND client_id = :clientId', { issuer, clientId });

/** Writes a site anew, or over what stood there. */
export async function putPlatform(writer: Writer, platform: Platform, nowMs: number): Promise<void> {
  const { id, deployments, origins, asksNames, accepted, ...words } = platform;
  const values = { ...words, id, origins: JSON.stringify(origins), asksNames: asksNames ? 1 : 0, accepted: accepted ? 1 : 0, nowMs }; // prettier-ignore
  await run(
    writer,
    `INSERT INTO lti_platforms (id, name, issuer, client_id, keys_url, auth_url, token_url, token_audience, origins, asks_names, accepted, created_at)
     VALUES (:id, :name, :issuer, :clientId, :keysUrl, :authUrl, :tokenUrl, :tokenAudience, :origins, :asksNames, :accepted, :nowMs)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, issuer = excluded.issuer, client_id = excluded.client_id, keys_url = excluded.keys_url,
       auth_url = excluded.auth_url, token_url = excluded.token_url, token_audience = excluded.token_audience, origins = excluded.origins,
       asks_names = excluded.asks_names, accepted = excluded.accepted`,
    values,
  );
  await run(writer, 'DELETE FROM lti_deployments WHERE platform_id = :id', { id });
  for (const deployment of new Set(deployments))
    await run(writer, 'INSERT INTO lti_deployments (platform_id, deployment) VALUES (:id, :deployment)', { id, deployment }); // prettier-ignore
}

/** Takes a site away with what hangs on it; where it was its issuer's last, nobody is known by it any more. */
export async function removePlatform(writer: Writer, { id, issuer }: Platform): Promise<void> {
  await run(writer, 'DELETE FROM lti_platforms WHERE id = :id', { id });
  await run(
    writer,
    'DELETE FROM lti_accounts WHERE issuer = :issuer AND NOT EXISTS (SELECT 1 FROM lti_platforms WHERE issuer = :issuer)',
    { issuer },
  );
}

export const insertRegistration = (writer: Writer, id: string, until: number) =>
  run(writer, 'INSERT INTO lti_registrations (id, until) VALUES (:id, :until)', { id, until });

export const holdsRegistration = async (reader: Reader, id: string, nowMs: number): Promise<boolean> =>
  (await select(reader, 'SELECT id FROM lti_registrations WHERE id = :id AND until > :nowMs', { id, nowMs })).length > 0; // prettier-ignore

/** Whether an address of a registration held, which it does no more. */
export async function spendRegistration(writer: Writer, id: string, nowMs: number): Promise<boolean> {
  const held = await holdsRegistration(writer, id, nowMs);
  await run(writer, 'DELETE FROM lti_registrations WHERE id = :id OR until <= :nowMs', { id, nowMs });
  return held;
}
