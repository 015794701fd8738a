import { expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  SECTION_A,
  assignment,
  at,
  instant,
  plan,
  staff,
  student,
} from '../../../tests/support/plans';
import type { Link } from '../entries/entry';
import type { Viewer } from '../entries/viewer';
import type { MaterialId } from '../ids';
import { seenPlan } from '../plan/seenPlan';
import type { Material } from './material';

const material = (id: string, changes: Partial<Material> = {}): Material => ({
  id: id as MaterialId, course: HL, position: 0, kind: 'recording', title: `The ${id}`, url: `https://x.example/${id}`, text: '', sequence: 0, created: NOW, lastModified: NOW, ...changes,
}); // prettier-ignore
const later = { wall: at('2026-10-20T08:00'), at: instant('2026-10-20T08:00') };
const materials = [
  material('talk'),
  material('unit', { kind: 'unit', url: '', position: 1 }),
  material('secret', { position: 2, visibleFrom: later }),
];
const to = (id: string, label = '', staffOnly = false): Link => ({ url: '', label, staffOnly, material: id as MaterialId }); // prettier-ignore
const plain: Link = { url: 'https://y.example', label: 'Table', staffOnly: false };

function links(viewer: Viewer, given: readonly Link[]): string[] {
  const seen = seenPlan(viewer, plan({ materials, entries: [assignment({ links: given })] }), NOW);
  const [entry] = seen.entries;
  return entry && entry.kind !== 'note' ? entry.links.map((link) => `${link.label} ${link.url}`) : [];
}

test.each<[string, Viewer, readonly Link[], string[]]>([
  ['a material’s link has its title and its address', student(), [to('talk'), plain], ['The talk https://x.example/talk', 'Table https://y.example']],
  ['or a label of its own', student(), [to('talk', 'Watch this')], ['Watch this https://x.example/talk']],
  ['a unit leads to its page', student(), [to('unit')], ['The unit /m/unit']],
  ['what students do not see yet takes its link along', student(IVO, SECTION_A), [to('secret'), plain], ['Table https://y.example']],
  ['staff see it', staff(HL), [to('secret')], ['The secret https://x.example/secret']],
  ['a material that is gone takes its link along', staff(HL), [to('gone')], []],
  ['links for the staff stay theirs', student(), [to('talk', '', true)], []],
])('%s', (_, viewer, given, expected) => expect(links(viewer, given)).toEqual(expected)); // prettier-ignore
