import fc from 'fast-check';
import { expect, test } from 'vitest';
import { plainText } from './plainText';

test.each([
  ['<p>One</p><p>Two &amp; three</p>', 'One\nTwo & three'],
  ['<ul><li>battens</li><li>spline</li></ul>', '- battens\n- spline'],
  ['<p><a href="https://x.example/h">Handout</a></p>', 'Handout (https://x.example/h)'],
  ['<p><a href="https://x.example/h">https://x.example/h</a></p>', 'https://x.example/h'],
  ['<p><a href="https://x.example/?a=1&amp;b=2">Two <em>parts</em></a></p>', 'Two parts (https://x.example/?a=1&b=2)'],
  ['<p>wait&nbsp;for &eacute; &lt;b&gt;<br />and go</p>', 'wait for é <b>\nand go'],
  ['<blockquote>said</blockquote><h3>Next</h3>', 'said\nNext'],
  ['<table><tbody><tr><th><p>Day</p></th><th><p>Tool</p></th></tr><tr><td><p>Tue</p></td><td><p>Spline</p><p>and ducks</p></td></tr></tbody></table><p>Bring both.</p>', 'Day | Tool\nTue | Spline and ducks\nBring both.'],
  ['<script>alert(1)</script>text', 'text'],
  ['', ''],
])('as plain text: %s', (given, expected) => expect(plainText(given)).toBe(expected)); // prettier-ignore

test('a paragraph alone reads as it does beside an empty one', () => {
  fc.assert(
    fc.property(fc.string(), (words) => {
      const text = words.replace(/[<&]/g, '');
      expect(plainText(`<p>${text}</p>`)).toBe(plainText(`<p>${text}</p><p></p>`));
    }),
  );
});
