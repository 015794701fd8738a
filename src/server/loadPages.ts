import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { setTimeout } from 'node:timers/promises';

const PAUSE_MS = 20;

/**
 * Loads the code of every page and route of a build, one by one, answering requests in between: whoever comes first to a page
 * need not wait for it, and a build that is made anew under a running server changes nothing of what it answers. `folder` is
 * Next's own, `.next`. Answers how many it has loaded.
 */
export async function loadPages(folder: string): Promise<number> {
  const server = path.resolve(folder, 'server');
  const files = JSON.parse(readFileSync(path.join(server, 'app-paths-manifest.json'), 'utf8')) as Record<
    string,
    string
  >;
  const load = createRequire(path.join(server, 'app'));
  const pages = Object.values(files);
  for (const file of pages) {
    // Long enough for a write, which takes several turns, to come through between two pages.
    await setTimeout(PAUSE_MS);
    load(path.join(server, file));
  }
  return pages.length;
}
