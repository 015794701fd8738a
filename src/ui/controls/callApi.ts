import { frameTexts } from '@/core/texts/frame';
import { noteAnswer, untilBack } from './connection';

export type FieldErrors = Readonly<Record<string, string>>;
export type Called<T> =
  | Readonly<{ ok: true; value: T; history?: string }>
  | Readonly<{ ok: false; message: string; fields: FieldErrors; status: number; reason?: string }>;

type Problem = {
  type?: string;
  title?: string;
  detail?: string;
  errors?: { field: string; message: string }[];
};

/** How long to wait before what may be sent twice is sent again, where there was no answer and none since. */
const PAUSES_MS = [500, 2000, 4000, 8000, 15_000];

/**
 * Sends a request. Without an answer, reading and writing what is the same however often it is written is tried again; a
 * POST may have been done, and is left to whoever sent it.
 */
async function send(method: string, path: string, init: RequestInit): Promise<Response> {
  const again = method === 'GET' || method === 'PUT';
  for (const pause of again ? PAUSES_MS : []) {
    try {
      return await fetch(path, init);
    } catch {
      noteAnswer('lost');
      await untilBack(pause);
    }
  }
  return fetch(path, init);
}

/** Calls a route of the API. A refusal, or no answer at all, comes back as a sentence for the person. */
export async function callApi<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Called<T>> {
  try {
    const response = await send(method, path, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer: unknown = await response.json().catch(() => ({}));
    const reason = (answer as Problem | null)?.type?.split(':').at(-1);
    noteAnswer(reason === 'notSignedIn' ? 'signedOut' : 'there');
    if (response.ok)
      return { ok: true, value: answer as T, history: response.headers.get('pembit-history') ?? undefined };
    const { title, detail, errors = [] } = answer as Problem;
    return {
      ok: false,
      status: response.status,
      reason,
      message: title === undefined ? frameTexts.offline : [title, detail].filter(Boolean).join(' '),
      fields: Object.fromEntries(errors.map(({ field, message }) => [field, message])),
    };
  } catch {
    noteAnswer('lost');
    return { ok: false, status: 0, message: frameTexts.offline, fields: {} };
  }
}
