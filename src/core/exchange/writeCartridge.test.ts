import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Manifest } from './readCartridge';
import { readCartridge, readManifest, textsNeeded } from './readCartridge';
import type { WrittenItem } from './writeCartridge';
import { writeCartridge } from './writeCartridge';

const item = (changes: Partial<WrittenItem>): WrittenItem => ({
  id: 'a',
  kind: 'page',
  title: 'Bevels',
  url: '',
  text: '',
  ...changes,
});
const bytes = (text: string) => new TextEncoder().encode(text);

/** What a package that was written says when it is read. */
function readBack(title: string, items: readonly WrittenItem[]) {
  const files = writeCartridge(title, items);
  const manifest = readManifest(bytes(files.get('imsmanifest.xml')!)) as Manifest;
  const named = items.flatMap(({ file }) => file ?? []);
  const texts = new Map([...files].map(([name, text]) => [name, bytes(text)]));
  for (const name of textsNeeded(manifest)) expect(texts.has(name)).toBe(true);
  return readCartridge(manifest, texts, new Set([...files.keys(), ...named]));
}
const plain = ({ id, parent, kind, title, url, text, file }: WrittenItem) => ({ id: `I_${id}`, ...(parent ? { parent: `I_${parent}` } : {}), kind, title, url, text, ...(file ? { file } : {}) }); // prettier-ignore
const withoutPaths = (items: ReturnType<typeof readBack>['items']) =>
  items.map(({ path: _, ...read }) => read);

describe('an outline as a Common Cartridge', () => {
  test('holds units in units, and each kind with what it says', () => {
    const items = [
      item({ id: 'u', kind: 'unit', title: 'Bevels & boards' }),
      item({ id: 'p', parent: 'u', text: '<p>Bring a <strong>rule</strong> & a board.</p>' }),
      item({ id: 'v', parent: 'u', kind: 'unit', title: '<For practice>' }),
      item({ id: 'l', parent: 'v', kind: 'webLink', title: 'Taking bevels', url: 'https://library.example/b?x=1&y="2"' }), // prettier-ignore
      item({ id: 'f', kind: 'webContent', title: 'The board', file: 'files/the board, 2.pdf' }),
      item({ id: 't', kind: 'topic', title: 'What went wrong?', text: '<p>Say it in <em>two</em> lines.</p>' }), // prettier-ignore
      item({ id: 'w', kind: 'assignment', title: 'Half model', text: '<p>Due Thu 15 Oct, 17:00.</p>' }),
    ];
    const read = readBack('HL 210 Hull lofting', items);
    expect(read).toMatchObject({ title: 'HL 210 Hull lofting', skipped: [] });
    expect(withoutPaths(read.items)).toEqual(items.map(plain));
  });

  test('whatever its titles and texts are, it is read as it was written', () => {
    const words = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }).filter((text) => text.trim() === text && !/[\p{Cc}\p{Cs}\s]{2}|[\p{Cc}\p{Cs}]|\s(?<! )/u.test(text)); // prettier-ignore
    const any = fc.record({
      kind: fc.constantFrom('page', 'topic', 'assignment', 'unit', 'webLink'),
      title: words,
      text: words,
    });
    fc.assert(
      fc.property(words, fc.array(any, { minLength: 1, maxLength: 12 }), (title, list) => {
        const items = list.map(({ kind, ...said }, i): WrittenItem => ({
          id: String(i),
          kind,
          title: said.title,
          url: kind === 'webLink' ? `https://library.example/${i}` : '',
          text: kind === 'unit' || kind === 'webLink' ? '' : `<p>${said.text.replace(/[&<>]/g, '-')}</p>`,
        }));
        const read = readBack(title, items);
        expect(withoutPaths(read.items)).toEqual(items.map(plain));
        expect(read.title).toBe(title);
      }),
    );
  });
});
