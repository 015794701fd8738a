import { gzipSync } from 'node:zlib';
import { expect, inject, test } from 'vitest';
import type { Api } from '../support/api';
import { signedIn } from '../support/api';

const base = inject('pembitUrl');

/** The kilobytes of JavaScript, gzip, that a page asks for before anything is clicked. */
async function weightOf(api: Api, path: string): Promise<number> {
  const page = await (await api.call('GET', path)).text();
  const scripts = new Set([...page.matchAll(/<script[^>]+src="(\/_next\/[^"]+\.js[^"]*)"(?![^>]*nomodule)/gi)].map((m) => m[1]!)); // prettier-ignore
  expect(scripts.size).toBeGreaterThan(0);
  const sizes = await Promise.all(
    [...scripts].map(
      async (src) => gzipSync(Buffer.from(await (await fetch(base + src)).arrayBuffer())).length,
    ),
  );
  return Math.round(sizes.reduce((a, b) => a + b, 0) / 1024);
}

test.each([
  ['ivo@kittiwake.example', '/next', 190],
  ['maren@kittiwake.example', '/term', 260],
  ['maren@kittiwake.example', '/publish', 260],
])('%s: %s', async (email, path, most) => {
  const weight = await weightOf(await signedIn(base, email), path);
  console.log(`First load of ${path}: ${weight} kB of JavaScript, gzip (at most ${most})`);
  expect(weight).toBeLessThanOrEqual(most);
});
