import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** What a request was and what it was answered; without an answer it is under way, or nobody knows how it ended. */
export type Answered = Readonly<{
  request: string;
  answer?: Readonly<{ status: number; headers: Readonly<Record<string, string>>; body: string }>;
}>;

type Row = Readonly<{ request: string; status: number | null; headers: string | null; body: string | null }>;

export async function answeredBy(reader: Reader, key: string): Promise<Answered | undefined> {
  const [row] = await select<Row>(reader, 'SELECT request, status, headers, body FROM answered WHERE key = :key', { key }); // prettier-ignore
  if (!row) return undefined;
  const { request, status, headers, body } = row;
  if (status === null || headers === null || body === null) return { request };
  return { request, answer: { status, headers: JSON.parse(headers) as Record<string, string>, body } };
}

/** Notes that a request begins; `false` where one of its key has begun before. */
export async function beginOnce(
  writer: Writer,
  {
    key,
    person,
    request,
    nowMs,
  }: Readonly<{ key: string; person: PersonId; request: string; nowMs: number }>,
): Promise<boolean> {
  if (await answeredBy(writer, key)) return false;
  await run(writer, 'INSERT INTO answered (key, person_id, request, at) VALUES (:key, :person, :request, :nowMs)', { key, person, request, nowMs }); // prettier-ignore
  return true;
}

export const keepAnswer = (
  writer: Writer,
  key: string,
  { status, headers, body }: NonNullable<Answered['answer']>,
): Promise<unknown> =>
  run(writer, 'UPDATE answered SET status = :status, headers = :headers, body = :body WHERE key = :key', { key, status, headers: JSON.stringify(headers), body }); // prettier-ignore

/** So that it may be tried again by the same key. */
export const forgetOnce = (writer: Writer, key: string): Promise<unknown> =>
  run(writer, 'DELETE FROM answered WHERE key = :key', { key });

export const forgetAnswered = (writer: Writer, beforeMs: number): Promise<unknown> =>
  run(writer, 'DELETE FROM answered WHERE at < :beforeMs', { beforeMs });
