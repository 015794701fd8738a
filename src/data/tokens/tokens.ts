import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId } from '@/core/ids';
import type { Scope, Token } from '@/core/tokens/token';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

type Row = Readonly<{
  id: string;
  owner_id: string;
  owner: string;
  name: string;
  scopes: string;
  courses: string | null;
  origins: string;
  created_at: number;
  expires_on: string | null;
  expires_at: number | null;
  last_used_at: number | null;
}>;

/** A token with the name of its owner. */
export type OwnedToken = Token & Readonly<{ ownerName: string }>;

const instant = (ms: number) => Temporal.Instant.fromEpochMilliseconds(Number(ms));

const toToken = (row: Row): OwnedToken => ({
  id: row.id,
  owner: row.owner_id as PersonId,
  ownerName: row.owner,
  name: row.name,
  scopes: new Set(JSON.parse(row.scopes) as Scope[]),
  ...(row.courses === null ? {} : { courses: new Set(JSON.parse(row.courses) as CourseId[]) }),
  origins: JSON.parse(row.origins) as string[],
  created: instant(row.created_at),
  ...(row.expires_on === null || row.expires_at === null
    ? {}
    : { expires: { on: Temporal.PlainDate.from(row.expires_on), at: instant(row.expires_at) } }),
  ...(row.last_used_at === null ? {} : { lastUsed: instant(row.last_used_at) }),
});

const find = async (reader: Reader, where: string, values: Record<string, unknown>): Promise<OwnedToken[]> =>
  (
    await select<Row>(
      reader,
      `SELECT tokens.*, people.name AS owner FROM tokens JOIN people ON people.id = tokens.owner_id
       WHERE ${where} ORDER BY tokens.created_at, tokens.id`,
      values,
    )
  ).map(toToken);

export const tokenByHash = async (reader: Reader, hash: string): Promise<OwnedToken | undefined> =>
  (await find(reader, 'tokens.hash = :hash', { hash }))[0];

export const tokenById = async (reader: Reader, id: string): Promise<OwnedToken | undefined> =>
  (await find(reader, 'tokens.id = :id', { id }))[0];

export const tokensOfPerson = (reader: Reader, owner: PersonId): Promise<OwnedToken[]> =>
  find(reader, 'tokens.owner_id = :owner', { owner });

export const everyToken = (reader: Reader): Promise<OwnedToken[]> => find(reader, '1 = 1', {});

/** Whether any token that is not over may be used by pages of an origin. */
export async function isOpenTo(reader: Reader, origin: string, nowMs: number): Promise<boolean> {
  const rows = await select<{ origins: string }>(
    reader,
    `SELECT origins FROM tokens WHERE origins <> '[]' AND (expires_at IS NULL OR expires_at > :nowMs)`,
    { nowMs },
  );
  return rows.some(({ origins }) => (JSON.parse(origins) as string[]).includes(origin));
}

export const insertToken = (
  writer: Writer,
  { id, owner, name, scopes, courses, origins, created, expires }: Omit<Token, 'lastUsed'>,
  hash: string,
): Promise<unknown> =>
  run(
    writer,
    `INSERT INTO tokens (id, owner_id, name, hash, scopes, courses, origins, created_at, expires_on, expires_at)
     VALUES (:id, :owner, :name, :hash, :scopes, :courses, :origins, :createdAt, :expiresOn, :expiresAt)`,
    {
      id,
      owner,
      name,
      hash,
      scopes: JSON.stringify([...scopes]),
      courses: courses ? JSON.stringify([...courses]) : null,
      origins: JSON.stringify(origins),
      createdAt: created.epochMilliseconds,
      expiresOn: expires?.on.toString() ?? null,
      expiresAt: expires?.at.epochMilliseconds ?? null,
    },
  );

export const deleteToken = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'DELETE FROM tokens WHERE id = :id', { id });

export const noteTokenUse = (writer: Writer, id: string, nowMs: number): Promise<unknown> =>
  run(writer, 'UPDATE tokens SET last_used_at = :nowMs WHERE id = :id', { id, nowMs });
