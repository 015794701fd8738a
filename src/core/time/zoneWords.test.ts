import { expect, test } from 'vitest';
import { zoneNamed, zonesInUse } from './zoneData';
import { zonesFrom, zoneWords } from './zoneWords';

test('a zone is named by its city', () => {
  expect(zoneWords('America/Halifax')).toBe('Halifax time (America/Halifax)');
  expect(zoneWords('America/Argentina/Buenos_Aires')).toBe(
    'Buenos Aires time (America/Argentina/Buenos_Aires)',
  );
  expect(zoneWords('UTC')).toBe('UTC');
});

test('what is offered is in use and known; old aliases and zones without a place are not among it', () => {
  expect(zonesInUse.length).toBeGreaterThan(350);
  expect(zonesInUse.filter((name) => !zoneNamed(name))).toEqual([]);
  for (const name of ['America/Halifax', 'Europe/Amsterdam', 'Asia/Kolkata'])
    expect(zonesInUse).toContain(name);
  // Aliases of tzdata's "backward" file.
  for (const name of ['US/Eastern', 'Asia/Calcutta', 'Etc/GMT+5', 'EST'])
    expect(zonesInUse).not.toContain(name);
});

test('the zone of the device is first, where it is one of them', () => {
  expect(zonesFrom(['A/a', 'B/b', 'C/c'], 'B/b')).toEqual(['B/b', 'A/a', 'C/c']);
  expect(zonesFrom(['A/a'], 'Etc/Unknown')).toEqual(['A/a']);
});
