import { expect, test } from 'vitest';
import { suggestMaterials } from './suggestMaterials';

const of = (title: string, recency = 0, unit = '') => ({
  id: title,
  title,
  unit,
  used: recency > 0,
  recency,
});
const LIST = [
  of('Lines', 1),
  of('Bevels', 5),
  of('The bevel board'),
  of('Taking bevels', 3, 'Bevels'),
  of('Bevels quiz', 0, 'Bevels'),
  of('Moulds'),
  of('Stations', 0, 'Moulds'),
];
const found = (words: string) => suggestMaterials(LIST, words, 4).map(({ title }) => title);

test.each([
  ['without words: what is unused after what was used last, then what was used last', '', ['The bevel board', 'Bevels quiz', 'Moulds', 'Bevels']],
  ['a title that begins so comes first, the likely one before others', 'bevels', ['Bevels quiz', 'Bevels', 'Taking bevels']],
  ['every word, in any order', 'board bevel', ['The bevel board']],
  ['the unit is known, too', 'moulds', ['Moulds', 'Stations']],
  ['within a word only after whole beginnings', 'ove', []],
  ['nothing', 'anchor', []],
])('%s', (_, words, titles) => expect(found(words)).toEqual(titles)); // prettier-ignore
