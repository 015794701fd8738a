/** What a body may have at most, unless its route says more. */
export const USUAL_BYTES = 64 * 1024;
/** How deep lists and objects may lie in one another, and how many values there may be. */
const DEEPEST = 32;
const MOST_VALUES = 100_000;

export type ReadBody =
  Readonly<{ ok: true; value: unknown }> | Readonly<{ ok: false; reason: 'tooLarge' | 'notJson' }>;

/** A body as text, counted while it arrives: more than `most` bytes are not read. */
async function readText({ body, headers }: Request, most: number): Promise<string | undefined> {
  // What a client says of itself may only make it shorter.
  if (Number(headers.get('content-length') ?? 0) > most) return undefined;
  if (!body) return '';
  const reader = body.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return Buffer.concat(chunks).toString('utf8');
    size += value.length;
    if (size > most) {
      await reader.cancel().catch(() => undefined);
      return undefined;
    }
    chunks.push(value);
  }
}

/** Whether a text is shallow and short enough to be taken apart, told without taking it apart. */
function isModest(text: string): boolean {
  let depth = 0;
  let values = 1;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 0x5c) i += 1;
      else if (c === 0x22) quoted = false;
    } else if (c === 0x22) quoted = true;
    else if (c === 0x2c) values += 1;
    else if (c === 0x5b || c === 0x7b) {
      depth += 1;
      if (depth > DEEPEST) return false;
    } else if (c === 0x5d || c === 0x7d) depth -= 1;
    if (values > MOST_VALUES) return false;
  }
  return true;
}

/** U+0000 has no place in a text, and SQLite’s statements end at it. */
export const withoutNul = (_: string, value: unknown): unknown =>
  typeof value === 'string' ? value.replaceAll('\0', '') : value;

/** A JSON body: its bytes, depth and number of values are checked before anything walks it. */
export async function readJson(request: Request, most = USUAL_BYTES): Promise<ReadBody> {
  const text = await readText(request, most);
  if (text === undefined) return { ok: false, reason: 'tooLarge' };
  if (!isModest(text)) return { ok: false, reason: 'notJson' };
  try {
    return { ok: true, value: JSON.parse(text, withoutNul) };
  } catch {
    return { ok: false, reason: 'notJson' };
  }
}
