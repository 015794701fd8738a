import { expect, test } from 'vitest';
import { letterHtml } from './letterHtml';

const paragraphs = (text: string) =>
  [...letterHtml({ subject: 'Hull & keel', text }).matchAll(/<p>(.*?)<\/p>/gs)].map(([, inner]) => inner);

test('paragraphs, lines and addresses are told apart; what is typed stays text', () => {
  expect(paragraphs('Hello Ivo,\n\none <b>\ntwo & three\n\nSee https://x.example/a?b=1&c=2.\n')).toEqual([
    'Hello Ivo,',
    'one &lt;b&gt;<br>\ntwo &amp; three',
    'See <a href="https://x.example/a?b=1&amp;c=2">https://x.example/a?b=1&amp;c=2</a>.',
  ]);
});

test('it has a language and its subject as title', () => {
  expect(letterHtml({ subject: 'Hull & keel', text: 'x' })).toMatch(
    /<html lang="en">[\s\S]*<title>Hull &amp; keel<\/title>/,
  );
});
