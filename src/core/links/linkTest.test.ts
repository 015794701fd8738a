import { expect, test } from 'vitest';
import { judgeLink } from './linkTest';
import { addressesOf, linksInText } from './usedLinks';

const ASKED = 'https://x.example/a';
test.each([
  ['it answers', { status: 200 }, { state: 'opens' }],
  ['it takes its time', { status: 200, milliseconds: 3001 }, { state: 'slow' }],
  ['it leads on for good', { status: 200, redirects: [301, 308], url: 'https://x.example/b' }, { state: 'moved', leadsTo: 'https://x.example/b' }],
  ['it leads on for now', { status: 200, redirects: [302], url: 'https://x.example/b' }, { state: 'opens', leadsTo: 'https://x.example/b' }],
  ['one of its redirects is for now', { status: 200, redirects: [301, 302], url: 'https://x.example/b' }, { state: 'opens', leadsTo: 'https://x.example/b' }],
  ['it asks to sign in', { status: 401 }, { state: 'signIn' }],
  ['it is not open to everyone', { status: 403 }, { state: 'signIn' }],
  ['it is gone', { status: 404 }, { state: 'fails' }],
  ['its server is broken', { status: 503 }, { state: 'fails' }],
])('a link when %s', (_, heard, judged) =>
  expect(judgeLink(ASKED, { url: ASKED, redirects: [], milliseconds: 100, ...heard })).toEqual(judged),
); // prettier-ignore

test('addresses in text are those of its links; each counts once', () => {
  const description =
    '<p>See <a href="https://x.example/?a=1&amp;b=2">this</a>, <a href="mailto:a@x.example">write</a>.</p>';
  expect(linksInText(description)).toEqual(['https://x.example/?a=1&b=2']);
  const links = [
    { url: 'https://x.example/?a=1&b=2', label: '', staffOnly: false },
    { url: '/f/1', label: '', staffOnly: false },
  ];
  expect(addressesOf({ links, description })).toEqual(['https://x.example/?a=1&b=2']);
});
