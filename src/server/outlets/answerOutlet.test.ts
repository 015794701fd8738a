import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { complaintsAbout } from '../../../tests/support/strictIcs';
import { entryInput } from '@/core/entries/entryInput';
import { outletInput } from '@/core/outlets/outletInput';
import { planEntry } from '../entries/planEntry';
import type { Pembit } from '../pembit';
import type { OutletAnswer } from './answerOutlet';
import { createOutletAnswerer } from './answerOutlet';
import { outletsFor, publish } from './publish';

let school: School;
let shiftMs = 0;
let ask: (path: string, headers?: Record<string, string>, method?: string) => Promise<OutletAnswer>;
let feed = '';
let embed = '';
beforeAll(async () => {
  school = await newSchool();
  const { now } = school.pembit;
  const moved: Pembit = { ...school.pembit, now: () => now().add({ milliseconds: shiftMs }) };
  const answer = createOutletAnswerer(moved);
  ask = (path, headers = {}, method = 'GET') => answer({ method, path, headers });
  const make = async (kind: 'feed' | 'embed') => {
    const outcome = await publish(
      school.pembit,
      school.instructor,
      outletInput.parse({ kind, audience: 'public', name: 'Hull lofting', courses: [school.course] }),
    );
    if (!outcome.ok) throw new Error(outcome.reason);
    return new URL(outcome.value.url).pathname;
  };
  feed = await make('feed');
  embed = await make('embed');
});
afterAll(() => school.close());

const plan = async (title: string, changes: object = {}) => {
  const input = entryInput.parse({
    kind: 'event',
    title,
    start: '2026-10-20T10:00',
    audience: [{ course: school.course }],
    ...changes,
  });
  const outcome = await planEntry(school.pembit, school.instructor, input);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
};

describe('a feed over HTTP', () => {
  test('comes in three codings, each with an ETag of its own and the same octets inside', async () => {
    await plan('Fairing');
    const [plain, zipped, brotli] = await Promise.all([
      ask(feed),
      ask(feed, { 'accept-encoding': 'gzip' }),
      ask(feed, { 'accept-encoding': 'gzip, br' }),
    ]);
    expect(plain.status).toBe(200);
    expect(complaintsAbout(plain.body!)).toEqual([]);
    expect(gunzipSync(zipped.body!).equals(plain.body!)).toBe(true);
    expect(brotliDecompressSync(brotli.body!).equals(plain.body!)).toBe(true);
    expect(new Set([plain, zipped, brotli].map((a) => a.headers.etag)).size).toBe(3);
    expect(zipped.headers).toMatchObject({
      'content-encoding': 'gzip',
      vary: 'Accept-Encoding',
      'content-type': 'text/calendar; charset=utf-8',
      'access-control-allow-origin': '*',
    });
    expect((await ask(feed, { 'accept-encoding': 'br;q=0, gzip' })).headers['content-encoding']).toBe('gzip');
    expect(Object.keys(plain.headers)).not.toContain('set-cookie');
  });

  test('answers 304 to whoever has it, HEAD without a body, and nothing but reading', async () => {
    const { headers } = await ask(feed);
    expect(await ask(feed, { 'if-none-match': headers.etag! })).toMatchObject({ status: 304 });
    expect((await ask(feed, { 'if-none-match': `W/${headers.etag}` })).status).toBe(304);
    expect((await ask(feed, { 'if-none-match': '"other"' })).status).toBe(200);
    expect((await ask(feed, { 'if-modified-since': headers['last-modified']! })).status).toBe(304);
    // If-None-Match decides alone where both are sent (RFC 9110 section 13.2.2).
    expect(
      (await ask(feed, { 'if-none-match': '"other"', 'if-modified-since': headers['last-modified']! }))
        .status,
    ).toBe(200);
    const head = await ask(feed, {}, 'HEAD');
    expect(head.status).toBe(200);
    expect(head.body).toBeUndefined();
    expect(Number(head.headers['content-length'])).toBeGreaterThan(100);
    expect((await ask(feed, {}, 'POST')).status).toBe(405);
    expect((await ask(feed, {}, 'OPTIONS')).status).toBe(204);
  });

  test('is new after a write, and the same bytes again after its like', async () => {
    const before = await ask(feed);
    await plan('Moulds');
    const after = await ask(feed, { 'if-none-match': before.headers.etag! });
    expect(after.status).toBe(200);
    expect(after.body!.toString()).toContain('Moulds');
    await plan('Kept back', { visibility: { kind: 'draft' } });
    // A draft is a write, but nothing that the feed holds has changed.
    expect((await ask(feed, { 'if-none-match': after.headers.etag! })).status).toBe(304);
  });

  test('shows what begins to be shown though nothing is written, without a stale 304', async () => {
    await plan('Launch day', { visibility: { kind: 'from', from: '2026-10-13T10:00' } });
    const before = await ask(feed);
    expect(before.body!.toString()).not.toContain('Launch day');
    shiftMs = 2 * 3_600_000;
    const after = await ask(feed, {
      'if-none-match': before.headers.etag!,
      'if-modified-since': before.headers['last-modified']!,
    });
    expect(after.status).toBe(200);
    expect(after.body!.toString()).toContain('Launch day');
    expect(Date.parse(after.headers['last-modified']!)).toBeGreaterThan(
      Date.parse(before.headers['last-modified']!),
    );
    shiftMs = 0;
  });
});

describe('an embed', () => {
  test('is a page without script that anyone may frame, in which every text is escaped', async () => {
    await plan('<script>alert(1)</script> & "quotes"', {
      links: [{ url: 'https://x.example/?a=1&b="2"', label: '<b>bold</b>' }],
    });
    const { status, headers, body } = await ask(embed);
    expect(status).toBe(200);
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['content-security-policy']).toContain('frame-ancestors *');
    const page = body!.toString();
    expect(page).not.toContain('<script');
    expect(page).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;quotes&quot;');
    expect(page).toContain('&lt;b&gt;bold&lt;/b&gt;');
  });

  test('has a page for each entry and day it shows, and none for others', async () => {
    const shown = await plan('Rope walk');
    const draft = await plan('Secret', { visibility: { kind: 'draft' } });
    expect((await ask(`${embed}/e/${shown.id}`)).body!.toString()).toContain('Rope walk');
    expect((await ask(`${embed}/e/${draft.id}`)).status).toBe(404);
    expect((await ask(`${embed}/day/2026-10-20`)).body!.toString()).toContain('Rope walk');
    expect((await ask(`${embed}/day/2026-10-25`)).body!.toString()).toContain(
      'Nothing is planned on this day.',
    );
  });

  test('of a public feed is what its links lead to; a personal feed has none', async () => {
    const file = (await ask(feed)).body!.toString().replaceAll('\r\n ', '');
    const [, link = ''] =
      /URL:http:\/\/localhost:4310(\/embed\/[\w-]{43}\/e\/[0-9a-f-]{36})/.exec(file) ?? [];
    expect((await ask(link)).status).toBe(200);
    const personal = (await outletsFor(school.pembit, school.students[0]!)).find(
      (outlet) => outlet.audience === 'personal',
    )!;
    const path = new URL(personal.url).pathname;
    expect((await ask(path)).headers['cache-control']).toBe('private, no-cache');
    expect((await ask(path.replace('/feeds/', '/embed/').replace('.ics', ''))).status).toBe(404);
  });
});

test('a personal feed is made once, whoever asks how often', async () => {
  const lists = await Promise.all(
    Array.from({ length: 5 }, () => outletsFor(school.pembit, school.students[1]!)),
  );
  expect(new Set(lists.flat().map((outlet) => outlet.url)).size).toBe(1);
});
