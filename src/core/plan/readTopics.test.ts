import { expect, test } from 'vitest';
import { readTopics } from './readTopics';

const titles = (text: string) => readTopics(text).map((topic) => topic?.title);

test.each([
  ['one a line', 'Lines\nOffsets\nFairing', ['Lines', 'Offsets', 'Fairing']],
  ['with commas inside', 'Lines, offsets and more\nBattens', ['Lines, offsets and more', 'Battens']],
  ['numbered or with dashes', '1. Lines\n2) Offsets\n- Fairing', ['Lines', 'Offsets', 'Fairing']],
  ['an empty line leaves a class without a plan', 'Lines\n\nFairing\n', ['Lines', undefined, 'Fairing']],
  ['Windows line ends and a byte order mark', '\uFEFFLines\r\nOffsets', ['Lines', 'Offsets']],
])('a list %s', (_, text, expected) => expect(titles(text)).toEqual(expected));

test('a table: its first column is the topic, addresses become links, the rest text', () => {
  const table =
    'Topic,Link,Notes\nLines,https://x.example/lines,Bring battens\n"Offsets, sheet 1",https://x.example/o,';
  expect(readTopics(table)).toEqual([
    { title: 'Lines', description: '<p>Bring battens</p>', links: [{ url: 'https://x.example/lines', label: '', staffOnly: false }] },
    { title: 'Offsets, sheet 1', description: '', links: [{ url: 'https://x.example/o', label: '', staffOnly: false }] },
  ]); // prettier-ignore
});

test('a table pasted from a spreadsheet is told by its tabs', () =>
  expect(readTopics('Lines\tthe <loft>\nOffsets\t').map((t) => [t?.title, t?.description])).toEqual([
    ['Lines', '<p>the &lt;loft&gt;</p>'],
    ['Offsets', ''],
  ]));
