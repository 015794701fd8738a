import fc from 'fast-check';
import { expect, test } from 'vitest';
import { isCommonPassword } from './passwordRule';

const LIST = new Set(['password', 'dragon', '123456789012', 'qwertyuiop', 'abc']);
const isListed = (text: string) => LIST.has(text);
const OWN = ['Maren Toft', 'maren@kittiwake.example'];

test.each([
  ['on the list', '123456789012'],
  ['an entry in other letters', 'QWERTYUIOP'],
  ['an entry with digits behind it', 'password2026!'],
  ['an entry repeated', 'dragondragon'],
  ['an entry repeated, with a sign', 'DragonDragon!!'],
  ['a short entry repeated', 'abcabcabcabc'],
  ['one letter over and over', 'aaaaaaaaaaaaaa'],
  ['digits and signs alone, all alike', '------------'],
  ['one’s own name', 'MarenToft2026'],
  ['one’s own first and last name written together, with much behind them', 'MarenToft1234567890'],
  ['the other way round', 'ToftMaren-1234567'],
  ['twice', 'marentoftmarentoft'],
  ['one’s own address', 'maren@kittiwake.example'],
])('%s is refused', (_, password) => expect(isCommonPassword(password, isListed, OWN)).toBe(true));

test.each(['a long enough password', 'battens and a low sheer', 'tærskel-fjord-1987', 'maren builds a clinker dinghy'])(
  '“%s” is taken',
  (password) => expect(isCommonPassword(password, isListed, OWN)).toBe(false),
); // prettier-ignore

test.each([
  ['short names', 'Bo Li', 'BoLi1234567890'],
  ['marks on letters', 'Søren Kjær', 'SørenKjær1234567'],
  ['a middle name left out', 'Ann Rose Quayside', 'annquayside123456'],
])('%s', (_, name, password) => expect(isCommonPassword(password, isListed, [name])).toBe(true));

test('digits and signs around an entry never make it a good one', () => {
  const around = fc.stringMatching(/^[0-9!?.$]{0,6}$/);
  fc.assert(
    fc.property(fc.constantFrom('password', 'dragon', 'qwertyuiop'), around, around, (word, a, b) => {
      expect(isCommonPassword(a + word + b, isListed)).toBe(true);
    }),
  );
});
