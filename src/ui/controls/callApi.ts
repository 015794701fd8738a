import { frameTexts } from '@/core/texts/frame';

export type FieldErrors = Readonly<Record<string, string>>;
export type Called<T> =
  | Readonly<{ ok: true; value: T; history?: string }>
  | Readonly<{ ok: false; message: string; fields: FieldErrors; status: number; reason?: string }>;

type Problem = { type?: string; title?: string; errors?: { field: string; message: string }[] };

/** Calls a route of the API. A refusal, or no answer at all, comes back as a sentence for the person. */
export async function callApi<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Called<T>> {
  try {
    const response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer: unknown = await response.json().catch(() => ({}));
    if (response.ok)
      return { ok: true, value: answer as T, history: response.headers.get('pembit-history') ?? undefined };
    const { type, title, errors = [] } = answer as Problem;
    return {
      ok: false,
      status: response.status,
      reason: type?.split(':').at(-1),
      message: title ?? frameTexts.offline,
      fields: Object.fromEntries(errors.map(({ field, message }) => [field, message])),
    };
  } catch {
    return { ok: false, status: 0, message: frameTexts.offline, fields: {} };
  }
}
