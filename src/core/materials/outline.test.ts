import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { HL, NOW, NV, at, instant, staff, student } from '../../../tests/support/plans';
import type { MaterialId } from '../ids';
import type { Material } from './material';
import { heldBy, inOrder, moveInOutline, outlineOf } from './outline';
import { seenMaterials } from './seenMaterials';

const id = (text: string) => text as MaterialId;
const material = (name: string, changes: Partial<Material> = {}): Material => ({
  id: id(name), course: HL, position: 0, kind: 'webLink', title: name, url: 'https://x.example', text: '', sequence: 0, created: NOW, lastModified: NOW, ...changes,
}); // prettier-ignore
const unit = (name: string, position: number, parent?: string) => material(name, { kind: 'unit', url: '', position, ...(parent ? { parent: id(parent) } : {}) }); // prettier-ignore
const item = (name: string, position: number, parent: string) =>
  material(name, { position, parent: id(parent) });

/** Lines (drawing, fairing), Bevels (board), and a syllabus at the top. */
const outline = [
  unit('Lines', 0),
  item('drawing', 0, 'Lines'),
  item('fairing', 1, 'Lines'),
  unit('Bevels', 1),
  unit('Tools', 0, 'Bevels'),
  item('board', 0, 'Tools'),
  material('syllabus', { position: 2 }),
];
const drawn = (materials: readonly Material[]) =>
  inOrder(outlineOf(materials)).map(({ material: m, depth }) => `${'-'.repeat(depth)}${m.title}`);
const after = (name: string, place: { parent?: string; before?: string }) => {
  const moved = moveInOutline(outline, id(name), place as never);
  if (!moved) return undefined;
  const byId = new Map(moved.map((m) => [m.id, m]));
  return drawn(outline.map((m) => byId.get(m.id) ?? m));
};

test('an outline is drawn from top to bottom', () => {
  expect(drawn(outline)).toEqual([
    'Lines',
    '-drawing',
    '-fairing',
    'Bevels',
    '-Tools',
    '--board',
    'syllabus',
  ]);
});

test('what names a unit that is gone lies at the top', () => {
  expect(drawn([item('lost', 0, 'nowhere')])).toEqual(['lost']);
});

test.each([
  ['in front of a neighbour', 'fairing', { parent: 'Lines', before: 'drawing' }, ['Lines', '-fairing', '-drawing', 'Bevels', '-Tools', '--board', 'syllabus']],
  ['into another unit, at its end', 'drawing', { parent: 'Tools' }, ['Lines', '-fairing', 'Bevels', '-Tools', '--board', '--drawing', 'syllabus']],
  ['out to the top', 'board', { before: 'Bevels' }, ['Lines', '-drawing', '-fairing', 'board', 'Bevels', '-Tools', 'syllabus']],
  ['a unit with all it holds', 'Bevels', { parent: 'Lines', before: 'drawing' }, ['Lines', '-Bevels', '--Tools', '---board', '-drawing', '-fairing', 'syllabus']],
  ['into itself', 'Bevels', { parent: 'Bevels' }, undefined],
  ['into what it holds', 'Bevels', { parent: 'Tools' }, undefined],
  ['into what is no unit', 'drawing', { parent: 'board' }, undefined],
  ['in front of what lies elsewhere', 'drawing', { before: 'board' }, undefined],
])('%s', (_, name, place, expected) => expect(after(name, place)).toEqual(expected)); // prettier-ignore

test('moves lose nothing, make no circle, and leave no gaps in the order', () => {
  const names = outline.map((m) => m.id);
  const move = fc.record({ which: fc.constantFrom(...names), parent: fc.option(fc.constantFrom(...names), { nil: undefined }), before: fc.option(fc.constantFrom(...names), { nil: undefined }) }); // prettier-ignore
  fc.assert(
    fc.property(fc.array(move, { maxLength: 20 }), (moves) => {
      let now: readonly Material[] = outline;
      for (const { which, ...place } of moves) {
        const changed = new Map(moveInOutline(now, which, place)?.map((m) => [m.id, m]) ?? []);
        now = now.map((m) => changed.get(m.id) ?? m);
      }
      expect(drawn(now)).toHaveLength(outline.length);
      const levels = [undefined, ...names].map((parent) => now.filter((m) => m.parent === parent).map((m) => m.position).sort((a, b) => a - b)); // prettier-ignore
      for (const level of levels) expect(level).toEqual(level.map((_, i) => i));
    }),
  );
});

test('a unit holds what lies in it, however deep', () => {
  expect(heldBy(outline, id('Bevels')).map((m) => m.title)).toEqual(['Tools', 'board']);
});

describe('who sees what', () => {
  const later = { wall: at('2026-10-20T08:00'), at: instant('2026-10-20T08:00') };
  const earlier = { wall: at('2026-10-13T08:00'), at: instant('2026-10-13T08:00') };
  const some = outline.map((m) => (m.title === 'Bevels' ? { ...m, visibleFrom: later } : m.title === 'drawing' ? { ...m, visibleFrom: earlier } : m)); // prettier-ignore
  const titles = (viewer: Parameters<typeof seenMaterials>[0]) => seenMaterials(viewer, some, NOW).map((m) => `${m.title}${m.hidden ? '?' : ''}`); // prettier-ignore

  test.each([
    ['students what is visible by now, and nothing in a unit that is not', student(), ['Lines', 'drawing', 'fairing', 'syllabus']],
    ['staff everything, marked', staff(HL), ['Lines', 'drawing', 'fairing', 'Bevels?', 'Tools?', 'board?', 'syllabus']],
    ['staff of another course nothing', staff(NV), []],
    ['an outlet what is visible by now', { kind: 'public' as const, courses: new Set([HL]), sections: new Set<never>(), calendars: new Set<never>(), meetingLinks: false }, ['Lines', 'drawing', 'fairing', 'syllabus']],
  ])('%s', (_, viewer, expected) => expect(titles(viewer)).toEqual(expected)); // prettier-ignore
});
