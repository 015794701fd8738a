import { expect, test } from 'vitest';
import { withoutTokens } from './withoutTokens';

const TOKEN = 'q3Zr-0_aBcDeFgHiJkLmNoPqRsTuVwXyZ0123456789';

test.each([
  ['a link for the first sign-in', `https://x.example/welcome/${TOKEN}`, 'https://x.example/welcome/…'],
  ['a feed', `https://x.example/feeds/${TOKEN}.ics\n`, 'https://x.example/feeds/….ics\n'],
  ['a value', `https://x.example/s/1?k=${TOKEN}&x=1`, 'https://x.example/s/1?k=…&x=1'],
  ['an entry', 'https://x.example/e/00000000-0000-4000-8000-000000000000', undefined],
  ['a longer word', `https://x.example/${TOKEN}abc`, undefined],
])('%s', (_, text, expected) => expect(withoutTokens(text)).toBe(expected ?? text));
