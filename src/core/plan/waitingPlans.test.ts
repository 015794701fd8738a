import { expect, test } from 'vitest';
import { HL, NOW, course, meeting } from '../../../tests/support/plans';
import type { ClassPlanId, MeetingId, SectionId } from '../ids';
import type { ClassPlan } from './classPlan';
import { waitingPlans } from './waitingPlans';

const A = 'a' as SectionId;
const section = {
  id: A, name: 'A', students: 10, patterns: [],
  meetings: ['m1', 'm2', 'm4', 'm5'].map((id, i) => meeting({ id: id as MeetingId, ordinal: i + 1, ...(id === 'm4' ? { cancelled: '' } : {}) })),
}; // prettier-ignore
const planOn = (title: string, on: string): ClassPlan => ({
  id: title as ClassPlanId, course: HL, title, description: '', links: [], pinned: false, sequence: 0, created: NOW, lastModified: NOW,
  bindings: [{ section: A, meeting: on as MeetingId }],
}); // prettier-ignore

test('a plan that lost its class is offered one of its own strand, or any where there is none of it left', () => {
  const lab = { ...planOn('Plotting', 'gone'), strand: 'lab' as const };
  const labs = [meeting({ id: 'l1' as MeetingId, ordinal: 1, strand: 'lab' }), ...section.meetings];
  const offered = (meetings: typeof labs) =>
    waitingPlans(course({ sections: [{ ...section, meetings }] }), [lab, planOn('Fairing', 'gone')]).map((w) => w.next?.id);
  expect(offered([...labs].reverse())).toEqual(['l1', 'm5']);
  expect(offered(section.meetings)).toEqual(['m1', 'm2']);
}); // prettier-ignore

test('plans whose class is gone are each offered a free class that takes place, no two the same', () => {
  const plans = [planOn('Offsets', 'm1'), planOn('Fairing', 'gone'), planOn('Moulds', 'gone too'), planOn('Stem', 'lost')];
  expect(waitingPlans(course({ sections: [section] }), plans).map((w) => [w.plan.title, w.next?.id])).toEqual([
    ['Fairing', 'm2'],
    ['Moulds', 'm5'],
    ['Stem', undefined],
  ]);
}); // prettier-ignore
