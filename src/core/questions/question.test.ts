import { expect, test } from 'vitest';
import { namesIn } from './question';

test.each([
  ['Ivo asked this before.', 'Ivo Saltmarsh', []],
  ['As Ivo said, bring battens.', 'Ivo Saltmarsh', ['Ivo']],
  ['Yes. Saltmarsh and others: see page 4.', 'Ivo Saltmarsh', []],
  ['See what Ivo Saltmarsh found', 'Ivo Saltmarsh', ['Ivo', 'Saltmarsh']],
  ['You may bring it', 'May Li', []],
  ['Ask May', 'May Li', ['May']],
  ['So says Li', 'May Li', []],
  ['Demande à Zoé-Ann', 'Zoé-Ann Aldous', ['Zoé-Ann']],
  ['Ivory is no wood', 'Ivo Saltmarsh', []],
])('names in “%s” of %s', (text, name, expected) => expect(namesIn(text, name)).toEqual(expected));
