import { expect, test } from 'vitest';
import type { OutletId } from '@/core/ids';
import { conditional, suffices } from './conditional';
import type { CachedAnswer } from './outletCache';
import { createOutletCache } from './outletCache';

const answer = (name: string): CachedAnswer => ({
  outlet: name as OutletId,
  bodies: { identity: Buffer.from(name), gzip: Buffer.from(name), br: Buffer.from(name) },
  etags: { identity: `"${name}"`, gzip: `"${name}-gzip"`, br: `"${name}-br"` },
  headers: {},
  lastModified: 'Tue, 13 Oct 2026 12:00:00 GMT',
  validUntilMs: 1000,
  bytes: 100,
});
const asking = (headers: Record<string, string> = {}) => ({
  method: 'GET',
  path: '/feeds/x.ics',
  query: '',
  headers: { 'accept-encoding': 'identity', ...headers },
});
/** A cache with some answers, set one after the other under their names. */
function holding(names: readonly string[], limits: Parameters<typeof createOutletCache>[0]) {
  const cache = createOutletCache(limits);
  for (const name of names) cache.set(name, 'v1', 1, answer(name));
  return cache;
}

test('what was least used loses its bytes, and whoever has them already is still told so', () => {
  const cache = holding(['a', 'b'], { bytes: 250 });
  expect(cache.get('a', 'v1', 1, 0)?.bodies).toBeDefined();
  cache.set('c', 'v1', 1, answer('c'));
  const [a, b] = ['a', 'b'].map((name) => cache.get(name, 'v1', 1, 0)!);
  expect([a!.bodies !== undefined, b!.bodies !== undefined]).toEqual([true, false]);

  const has = asking({ 'if-none-match': '"b"' });
  expect(suffices(has, b)).toBe(true);
  expect(conditional(has, b!)).toMatchObject({ status: 304, headers: { etag: '"b"' } });
  // Another tag, or none: it has to be made anew.
  expect([suffices(asking({ 'if-none-match': '"old"' }), b), suffices(asking(), b)]).toEqual([false, false]);
  cache.set('b', 'v1', 1, answer('b'));
  expect(conditional(asking(), cache.get('b', 'v1', 1, 0)!)).toMatchObject({ status: 200 });
});

test('without its bytes an answer holds no longer than with them', () => {
  const cache = holding(['a', 'b'], { bytes: 100 });
  expect(cache.get('a', 'v2', 2, 0)).toBeUndefined();
  const later = holding(['a', 'b'], { bytes: 100 });
  expect(later.get('a', 'v1', 1, 1000)).toBeUndefined();
  const fresh = holding(['a', 'b'], { bytes: 100 });
  expect([fresh.fresh('a', 1, 0) !== undefined, fresh.fresh('a', 2, 0)]).toEqual([true, undefined]);
});

test('no more answers are remembered than may be', () => {
  const cache = holding(['a', 'b', 'c'], { bytes: 100, answers: 2 });
  expect(['a', 'b', 'c'].map((name) => cache.get(name, 'v1', 1, 0) !== undefined)).toEqual([
    false,
    true,
    true,
  ]);
});
