import { gzipSync } from 'node:zlib';
import { anonymous, signedIn } from './api';

const IVO = 'ivo@kittiwake.example';
const MAREN = 'maren@kittiwake.example';
const OFFICE = 'office@kittiwake.example';

/** Pages by whom they are looked at, each with the most kilobytes of JavaScript, gzip, that it may ask for at first. */
export const FIRST_LOADS = [
  [IVO, '/next', 195],
  [IVO, '/due', 200],
  [IVO, '/sign-up', 215],
  [IVO, '/subscribe', 222],
  [IVO, '/term', 265],
  [IVO, '/account', 265],
  [MAREN, '/today', 195],
  [MAREN, '/term', 265],
  [MAREN, '/week', 265],
  [MAREN, '/day/2026-10-13', 265],
  [MAREN, '/month', 192],
  [MAREN, '/close', 255],
  [MAREN, '/away', 255],
  [MAREN, '/schedule', 255],
  [MAREN, '/write', 250],
  [MAREN, '/tokens', 255],
  [MAREN, '/help', 192],
  [MAREN, '/everything', 285],
  [MAREN, '/checks', 245],
  [MAREN, '/load', 250],
  [MAREN, '/calendars', 245],
  [MAREN, '/publish', 245],
  [MAREN, '/publish/all', 200],
  [MAREN, '/publish/new', 245],
  [MAREN, '/office-hours', 245],
  [MAREN, '/office-hours/new', 262],
  [MAREN, '/courses', 270],
  [MAREN, '/courses/HL%20210', 272],
  [MAREN, '/materials', 270],
  [OFFICE, '/school', 275],
  [OFFICE, '/school/tables', 232],
] as const;

/** The scripts that a page asks for before anything is clicked. */
const scriptsOf = (page: string): string[] => [
  ...new Set([...page.matchAll(/<script[^>]+src="([^"]+)"(?![^>]*nomodule)/gi)].map((match) => match[1]!)),
];

/** The kilobytes of JavaScript, gzip, of the first load of a page that somebody is signed in to see. */
export async function firstLoadOf(base: string, email: string, path: string): Promise<number> {
  const page = await (await (await signedIn(base, email)).call('GET', path)).text();
  const scripts = scriptsOf(page);
  if (scripts.length === 0) throw new Error(`No scripts were found in ${path}.`);
  const sizes = await Promise.all(
    scripts.map(
      async (src) => gzipSync(Buffer.from(await (await fetch(new URL(src, base))).arrayBuffer())).length,
    ),
  );
  return Math.round(sizes.reduce((a, b) => a + b, 0) / 1024);
}

/** How many scripts the embeds of the demo's instructor have, by themselves and in their text. */
export async function scriptsOfEmbeds(base: string): Promise<number> {
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const outlets = (await (await maren.call('GET', '/api/outlets')).json()) as { kind: string; url: string }[];
  const embeds = outlets.filter(({ kind }) => kind === 'embed');
  if (embeds.length === 0) throw new Error('The demo has no embed.');
  const counts = await Promise.all(
    embeds.map(async ({ url }) => {
      const page = await (await anonymous(base).call('GET', new URL(url).pathname)).text();
      return page.match(/<script(?! type="application\/ld\+json">)/gi)?.length ?? 0;
    }),
  );
  return counts.reduce((a, b) => a + b, 0);
}
