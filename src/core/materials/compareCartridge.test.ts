import { expect, test } from 'vitest';
import { HL, NOW } from '../../../tests/support/plans';
import type { MaterialId } from '../ids';
import type { ReadyItem } from './compareCartridge';
import { compareCartridge } from './compareCartridge';
import type { Material } from './material';

const known = (id: string, more: Partial<Material> = {}): Material => ({ id: id as MaterialId, course: HL, position: 0, kind: 'webLink', title: 'Board', url: 'https://x.example/b', text: '', source: { id, path: 'https://x.example/b' }, sequence: 0, created: NOW, lastModified: NOW, ...more }); // prettier-ignore
const item = (id: string, more: Partial<ReadyItem> = {}): ReadyItem => ({ id, kind: 'webLink', title: 'Board', url: 'https://x.example/b', text: '', path: 'https://x.example/b', ...more }); // prettier-ignore
const states = (items: readonly ReadyItem[], materials: readonly Material[]) =>
  compareCartridge(items, materials, () => undefined).lines.map(({ state, known: found }) =>
    `${state} ${found?.id ?? ''}`.trim(),
  );

test('an item is known again by its identifier, even under another address and title', () => {
  expect(states([item('a')], [known('a')])).toEqual(['same a']);
  expect(states([item('a', { title: 'The board', path: 'p' })], [known('a')])).toEqual(['changed a']);
});

test('where identifiers changed, by its address; each material is met once', () => {
  expect(states([item('z')], [known('a')])).toEqual(['same a']);
  expect(states([item('y'), item('z')], [known('a')])).toEqual(['same a', 'new']);
  // One that keeps its identifier is not taken for another of the same address.
  expect(states([item('y'), item('a')], [known('a')])).toEqual(['new', 'same a']);
});

test('then by its title in its unit, so that what was put in by hand is not doubled', () => {
  const unit = known('u', { kind: 'unit', title: 'Bevels', url: '', source: undefined });
  const byHand = known('m', { parent: unit.id, source: undefined });
  expect(states([item('i', { kind: 'unit', title: 'Bevels', url: '', path: '' }), item('j', { parent: 'i' })], [unit, byHand])).toEqual(['same u', 'same m']); // prettier-ignore
});

test('what is in the package no more is named, not taken away', () =>
  expect(compareCartridge([], [known('a'), known('b', { source: undefined })], () => undefined).gone.map((m) => m.id)).toEqual(['a'])); // prettier-ignore

test('a file whose content is another one has changed', () => {
  const kept = known('a', { kind: 'webContent', url: '', source: { id: 'a', path: 'a.pdf' } });
  const now = item('a', { kind: 'webContent', url: '', path: 'a.pdf', file: 'a.pdf', hash: 'h2' });
  expect(compareCartridge([now], [kept], () => 'h1').lines[0]!.state).toBe('changed');
  expect(compareCartridge([now], [kept], () => 'h2').lines[0]!.state).toBe('same');
});
