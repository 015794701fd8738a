import { expect, inject, test } from 'vitest';
import { FIRST_LOADS, firstLoadOf, scriptsOfEmbeds } from '../support/firstLoad';

const base = inject('pembitUrl');

test.each(FIRST_LOADS)('%s: %s', async (email, path, most) => {
  const weight = await firstLoadOf(base, email, path);
  console.log(`First load of ${path}: ${weight} kB of JavaScript, gzip (at most ${most})`);
  expect(weight).toBeLessThanOrEqual(most);
});

test('embeds have no script that runs', async () => expect(await scriptsOfEmbeds(base)).toBe(0));
