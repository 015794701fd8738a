import { expect, test } from 'vitest';
import { byFamilyName, familyKey } from './familyName';

test.each([
  ['Fen Osprey', 'Osprey Fen'],
  ['Ada  Lee Brant', 'Brant Ada Lee'],
  ['Osprey, Fen', 'Osprey, Fen'],
  ['Solan', 'Solan'],
])('%s stands as %s', (name, key) => expect(familyKey(name)).toBe(key));

test('names are sorted by family name, accents beside their letters', () =>
  expect(
    ['Bo Østergard', 'Ada Brant', 'Zoe Brant', 'Émil Éider', 'Al Dunlin'].sort(byFamilyName('en')),
  ).toEqual(['Ada Brant', 'Zoe Brant', 'Al Dunlin', 'Émil Éider', 'Bo Østergard']));
