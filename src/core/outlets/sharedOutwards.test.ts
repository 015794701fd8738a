import { expect, test } from 'vitest';
import { HL, MAREN, NOW, NV, plan, sheet, staff } from '../../../tests/support/plans';
import type { OutletId } from '../ids';
import { seenPlan } from '../plan/seenPlan';
import type { Outlet } from './outlet';
import { OUTLET_KINDS, PERSONAL_DEFAULTS, PUBLISHED_DEFAULTS } from './outlet';
import { sharedOutwards } from './sharedOutwards';

const published = (name: string, more: Partial<Extract<Outlet, { audience: 'public' | 'roster' }>> = {}): Outlet => ({
  ...PUBLISHED_DEFAULTS, id: name as OutletId, kind: 'feed', name, owner: MAREN, generation: 1, audience: 'public', courses: [HL], sections: [], kinds: OUTLET_KINDS, ...more,
}); // prettier-ignore
const own: Outlet = { ...PERSONAL_DEFAULTS, id: 'own' as OutletId, kind: 'feed', name: 'Own', owner: MAREN, generation: 1, audience: 'personal' }; // prettier-ignore
const seen = seenPlan(staff(HL), plan({ sheets: [sheet([[]])] }), NOW);

test('a course shares its outlets, an open joining address and its sign-up sheets; nobody’s own feed', () => {
  const outlets = [
    published('Hull lofting', { files: true }),
    published('Both', { audience: 'roster', courses: [HL, NV], meetingLinks: true }),
    published('Navigation', { courses: [NV] }),
    own,
  ];
  const lines = sharedOutwards(HL, { plan: seen, outlets, joining: true });
  expect(lines.map(({ what, who }) => `${what}: ${who}`)).toEqual([
    'Feed “Hull lofting”: Read by anyone who has its address · with uploaded files',
    'Feed “Both”: Read by who takes the course, by an address that is given to them alone · with meeting links',
    'Joining address: Whoever has it puts themselves on the roster',
    'Sign-up address of “Office hours”: Students of the course, by a link in a letter, without a password',
  ]);
  expect(sharedOutwards(HL, { plan: { sheets: [] }, outlets: [own], joining: false })).toEqual([]);
});
