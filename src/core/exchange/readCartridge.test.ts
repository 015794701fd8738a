import { expect, test } from 'vitest';
import { strToU8, unzipSync } from 'fflate';
import type { Version } from '../../../tests/support/cartridge';
import { SAMPLE, cartridge, manifestOf } from '../../../tests/support/cartridge';
import { readCartridge, readManifest, textsNeeded } from './readCartridge';

function read(version: Version) {
  const files = new Map(Object.entries(unzipSync(cartridge(SAMPLE, version))));
  const manifest = readManifest(files.get('imsmanifest.xml')!);
  if ('refused' in manifest) throw new Error(manifest.refused);
  return readCartridge(
    manifest,
    new Map(textsNeeded(manifest).map((name) => [name, files.get(name)!])),
    new Set(files.keys()),
  );
}

test.each<Version>(['1.1', '1.2', '1.3'])(
  'a package of version %s is read to the outline it describes',
  (version) => {
    const { title, items, skipped } = read(version);
    expect(title).toBe('Hull lofting');
    expect(items).toEqual([
    { id: 'i1', kind: 'unit', title: 'Bevels & boards', url: '', text: '', path: '' },
    { id: 'i2', parent: 'i1', kind: 'page', title: 'Before class', url: '', text: '<p>Bring a <b>rule</b>.<script>x</script></p>', path: 'wiki/before.html' },
    { id: 'i3', parent: 'i1', kind: 'webContent', title: 'The bevel board', url: '', text: '', file: 'web/bevel board.pdf', path: 'web/bevel board.pdf' },
    { id: 'i4', parent: 'i1', kind: 'webLink', title: 'Taking bevels', url: 'https://x.example/bevels?a=1&b=2', text: '', path: 'https://x.example/bevels?a=1&b=2' },
    { id: 'i5', parent: 'i1', kind: 'unit', title: 'For practice', url: '', text: '', path: '' },
    { id: 'i6', parent: 'i5', kind: 'test', title: 'Bevels quiz', url: '', text: '', path: 'i6/i6.xml' },
    { id: 'i7', kind: 'topic', title: 'What went wrong?', url: '', text: '<p>Tell us.</p>', path: 'i7/i7.xml' },
    { id: 'i8', kind: 'assignment', title: 'Half model', url: '', text: '<p>Carve it.</p>', path: 'i8/i8.xml' },
  ]); // prettier-ignore
    expect(skipped).toEqual([{ title: 'An outside tool', reason: 'type' }]);
  },
);

const units = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `u${i}`, kind: 'unit' as const, title: `Unit ${i}` }));
const nested = (depth: number): string =>
  depth === 0 ? '' : `<item identifier="d${depth}"><title>D</title>${nested(depth - 1)}</item>`;
const manifest = (items: string) =>
  `<manifest><organizations><organization>${items}</organization></organizations></manifest>`;

test.each([
  ['100,000 items', manifestOf(units(100_000)), 'tooManyItems'],
  ['units 30 deep', manifest(nested(30)), 'tooDeep'],
  ['elements 3,000 deep', manifest(nested(3000)), 'notXml'],
  ['an entity of its own', `<!DOCTYPE m [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${manifest('<item identifier="x"><title>&b;</title></item>')}`, 'doctype'],
  ['an entity that reads a file', `<!DOCTYPE m [<!ENTITY a SYSTEM "file:///etc/passwd">]>${manifest('<item><title>&a;</title></item>')}`, 'doctype'],
  ['a tag left open', '<manifest><organizations>', 'notXml'],
  ['no items', manifest(''), 'noItems'],
  ['an encoding that is not UTF-8', `<?xml version="1.0" encoding="windows-1252"?>${manifest('')}`, 'encoding'],
])('a manifest with %s is refused', (_, text, reason) => expect(readManifest(strToU8(text))).toEqual({ refused: reason })); // prettier-ignore

test('bytes that are not UTF-8 are refused; UTF-16 with its mark is read', () => {
  expect(readManifest(new Uint8Array([0x3c, 0x6d, 0xff, 0x3e]))).toEqual({ refused: 'encoding' });
  const text = manifest('<item identifier="x"><title>Überzug</title></item>');
  const utf16 = new Uint8Array([0xff, 0xfe, ...Buffer.from(text, 'utf16le')]);
  expect(readManifest(utf16)).toMatchObject({ entries: [{ title: 'Überzug' }] });
});
