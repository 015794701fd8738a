import { expect, test } from 'vitest';
import { HL, NOW, at, course, event, plan, staff } from '../../../tests/support/plans';
import type { EntryId, MaterialId } from '../ids';
import { seenPlan } from '../plan/seenPlan';
import type { Material } from './material';
import { usedMaterials } from './usedMaterials';

const material = (id: string, more: Partial<Material> = {}): Material => ({ id: id as MaterialId, course: HL, position: 0, kind: 'webLink', title: id, url: 'https://x.example', text: '', sequence: 0, created: NOW, lastModified: NOW, ...more }); // prettier-ignore
const unit = material('unit', { kind: 'unit', url: '' });
const materials = [unit, material('inside', { parent: unit.id }), material('alone'), material('never')];
const leads = (id: string, to: string, start: string) => event({ id: id as EntryId, title: id, when: { kind: 'timed', start: at(start) }, links: [{ url: '', label: '', staffOnly: false, material: to as MaterialId }] }); // prettier-ignore

test('every day where a material is used, in order; a unit uses what is in it', () => {
  const entries = [
    leads('later', 'alone', '2026-10-20T10:00'),
    leads('first', 'alone', '2026-10-15T10:00'),
    leads('u', 'unit', '2026-10-16T10:00'),
  ];
  const seen = seenPlan(staff(HL), plan({ courses: [course()], entries, materials }), NOW);
  const used = usedMaterials(seen, materials);
  const days = (id: string) => used.get(id as MaterialId)?.uses.map((use) => `${use.day} ${use.title}`);
  expect(days('alone')).toEqual(['2026-10-15 first', '2026-10-20 later']);
  expect(days('unit')).toEqual(['2026-10-16 u']);
  expect(days('inside')).toEqual(['2026-10-16 u']);
  expect(days('never')).toBeUndefined();
});
