import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bind } from './bind';

const places = (n: number) => `$${n}`;

test.each([
  ['SELECT * FROM a WHERE b = :b AND c > :c', { b: 1, c: 'x' }, 'SELECT * FROM a WHERE b = $1 AND c > $2', [1, 'x']],
  ['SELECT :b, :b', { b: null }, 'SELECT $1, $2', [null, null]],
  ['WHERE id IN (:ids)', { ids: ['a'] }, 'WHERE id IN ($1)', ['a']],
  ['WHERE id IN (:ids) AND x = :x', { ids: ['a', 'b', 'c'], x: 0 }, 'WHERE id IN ($1, $2, $3, $4) AND x = $5', ['a', 'b', 'c', 'c', 0]],
  [`SELECT 'no:name' AS ":name", 'it''s :x', a::json FROM a WHERE b = :b`, { b: 2, name: 3, x: 4, json: 5 }, `SELECT 'no:name' AS ":name", 'it''s :x', a::json FROM a WHERE b = $1`, [2]],
  ['DELETE FROM a', { unused: 1 }, 'DELETE FROM a', []],
] as const)('%s', (sql, values, text, inOrder) => {
  expect(bind(sql, values, places)).toEqual({ text, values: inOrder });
}); // prettier-ignore

test('a name without a value and an empty list are told', () => {
  expect(() => bind('SELECT :a', {}, places)).toThrow('No value for :a');
  expect(() => bind('SELECT 1 WHERE 1 IN (:a)', { a: [] }, places)).toThrow('An empty list for :a');
});

test('lists of any length need few statements, and mean the same', () => {
  const texts = new Set<string>();
  fc.assert(
    fc.property(fc.array(fc.integer(), { minLength: 1, maxLength: 1000 }), (ids) => {
      const { text, values } = bind('SELECT 1 WHERE x IN (:ids)', { ids }, places);
      texts.add(text);
      expect(new Set(values)).toEqual(new Set(ids));
      expect(values.length).toBeLessThan(2 * ids.length);
    }),
  );
  expect(texts.size).toBeLessThanOrEqual(11);
});
