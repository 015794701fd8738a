import { expect, test } from 'vitest';
import { USUAL_BYTES, readJson } from './readBody';

const sent = (body: string | ReadableStream, headers: Record<string, string> = {}) =>
  new Request('https://x.example/api', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);

/** A body without a length, as long as it is read. */
function endless(): { stream: ReadableStream; read: () => number } {
  let chunks = 0;
  const stream = new ReadableStream({
    pull(controller) {
      chunks += 1;
      controller.enqueue(Buffer.alloc(16_384, 0x20));
    },
  });
  return { stream, read: () => chunks };
}

test('a body that says it is too long is not read at all', async () => {
  const { stream, read } = endless();
  const before = read();
  expect(await readJson(sent(stream, { 'content-length': '180000000' }))).toEqual({ ok: false, reason: 'tooLarge' }); // prettier-ignore
  expect(read() - before).toBeLessThanOrEqual(1);
});

test('a body without a length is read up to the limit, no further', async () => {
  const { stream, read } = endless();
  expect(await readJson(sent(stream))).toEqual({ ok: false, reason: 'tooLarge' });
  expect(read()).toBeLessThanOrEqual(USUAL_BYTES / 16_384 + 3);
});

test.each([
  ['an object', '{"a":[1,"x\\u0000y"]}', { a: [1, 'xy'] }],
  ['brackets within a text', JSON.stringify('['.repeat(1000)), '['.repeat(1000)],
  ['an escaped quote', JSON.stringify({ a: '\\"[[' }), { a: '\\"[[' }],
])('%s is read', async (_, text, value) => expect(await readJson(sent(text))).toEqual({ ok: true, value }));

test.each([
  ['what is no JSON', '{'],
  ['a thousand lists in one another', '['.repeat(1000) + ']'.repeat(1000)],
  ['more values than anything here has', `[${'0,'.repeat(30_000)}0]`.repeat(1)],
])('%s is refused', async (name, text) => {
  const many = name.startsWith('more') ? `[${'0,'.repeat(200_000)}0]` : text;
  expect(await readJson(sent(many), 1024 * 1024)).toEqual({ ok: false, reason: 'notJson' });
});
