import { describe, expect, test } from 'vitest';
import { HL, NOW } from '../../../tests/support/plans';
import type { MaterialId } from '../ids';
import type { Material } from './material';
import { compareMaterials, readMaterials, titleInHtml, withTitles, titleFromUrl } from './readMaterials';

const said = (text: string) =>
  readMaterials(text).items.map((i) => `${i.unit ? `${i.unit} > ` : ''}${i.kind} ${i.title}${i.url ? ` ${i.url}` : ''}`); // prettier-ignore
const faults = (text: string) => readMaterials(text).faults.map((f) => `${f.line}: ${f.message}`);

describe('a list', () => {
  test.each([
    ['titles with addresses', 'Lines drawing https://x.example/lines\nOffsets | https://x.example/o', ['webLink Lines drawing https://x.example/lines', 'webLink Offsets https://x.example/o']],
    ['addresses alone', 'https://x.example/handouts/bevel-board.pdf\nhttps://x.example', ['webLink bevel board https://x.example/handouts/bevel-board.pdf', 'webLink x.example https://x.example']],
    ['units, numbered and with colons', 'Lines:\n1. Drawing https://x.example/d\n\n2) Bevels\n- Board https://x.example/b', ['unit Lines', 'Lines > webLink Drawing https://x.example/d', 'unit Bevels', 'Bevels > webLink Board https://x.example/b']],
    ['what cannot be opened is no address', 'javascript:alert(1)', ['unit javascript:alert(1)']],
  ])('%s', (_, text, expected) => expect(said(text)).toEqual(expected)); // prettier-ignore
});

describe('a table', () => {
  const table = 'unit,title,url,kind\nLines,"Drawing, sheet 1",https://x.example/d,\nLines,Talk,https://x.example/t,recording\n,Syllabus,https://x.example/s,Web content\n'; // prettier-ignore
  test('has its columns by name, in quotes as RFC 4180 has it', () => {
    expect(said(table)).toEqual(['Lines > webLink Drawing, sheet 1 https://x.example/d', 'Lines > recording Talk https://x.example/t', 'webContent Syllabus https://x.example/s']); // prettier-ignore
  });
  test('names the lines that are at fault', () => {
    expect(faults('title\turl\tkind\nA\tx.example\t\nB\thttps://x.example\tspaceship')).toEqual(['2: “x.example” is not a whole address.', '3: “spaceship” is not a kind of material.']); // prettier-ignore
    expect(faults('title,url\n\uFFFD,https://x.example')).toEqual(['1: This is not UTF-8 text. Save the file as CSV (UTF-8) and try again.']); // prettier-ignore
  });
});

test.each([
  ['https://x.example/a/Tide%20tables_2026.html', 'Tide tables 2026'],
  ['https://x.example/%E0%A4%A', '%E0%A4%A'],
  ['https://x.example/?q=1', 'x.example'],
])('%s is called %s', (url, title) => expect(titleFromUrl(url)).toBe(title));

describe('brought in again', () => {
  const text = 'Lines\nDrawing https://x.example/d\nTalk https://x.example/t';
  const states = (list: string, materials: readonly Material[]) => compareMaterials(readMaterials(list).items, materials).map((a) => `${a.title} ${a.state}`); // prettier-ignore
  const there = compareMaterials(readMaterials(text).items, []).map(({ kind, title, url, unit }, i): Material => ({
    id: `${i}` as MaterialId, course: HL, position: i, kind, title, url, text: '', sequence: 0, created: NOW, lastModified: NOW, ...(unit ? { parent: '0' as MaterialId } : {}),
  })); // prettier-ignore

  test.each([
    ['at first all of it is new', text, [], ['Lines new', 'Drawing new', 'Talk new']],
    ['the same list changes nothing', text, there, ['Lines same', 'Drawing same', 'Talk same']],
    ['another title changes what is known by its address', text.replace('Talk', 'The talk'), there, ['Lines same', 'Drawing same', 'The talk changed']],
    ['the same address in another unit is another one', 'Bevels\nDrawing https://x.example/d', there, ['Bevels new', 'Drawing new']],
    ['what a list names twice is one', 'A https://x.example/a\nA again https://x.example/a', [], ['A new']],
    ['a table names its units in a column', 'unit,title,url\nBevels,Board,https://x.example/b\nBevels,Saw,https://x.example/s', [], ['Bevels new', 'Board new', 'Saw new']],
  ])('%s', (_, list, materials, expected) => expect(states(list, materials)).toEqual(expected)); // prettier-ignore
});

test.each([
  ['<html><head><title>The bevel\n  board</title>', 'The bevel board'],
  ['<TITLE lang="en">Bevels &amp; boards &#8211; 2</TITLE>', 'Bevels & boards – 2'],
  ['<title> </title>', undefined],
  ['<h1>No title</h1>', undefined],
  ['<title>&#1;&unknown;</title>', '&unknown;'],
])('the title in %j is %j', (html, title) => expect(titleInHtml(html)).toBe(title));

test('titles are put in front of the addresses that stood alone', () => {
  const list = 'Unit\nhttps://x.example/a\nNamed https://x.example/b';
  expect(readMaterials(list).items.map((item) => item.untitled ?? false)).toEqual([false, true, false]);
  expect(withTitles(list, new Map([[2, 'The board']]))).toBe(
    'Unit\nThe board https://x.example/a\nNamed https://x.example/b',
  );
});
