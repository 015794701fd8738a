import { expect, test } from 'vitest';
import { HL, NOW, assignment, booking, course, event, meeting, plan, sheet, staff } from '../../../tests/support/plans'; // prettier-ignore
import { seenPlan } from '../plan/seenPlan';
import { titlesOnly } from './titlesOnly';

const SECRET = 'SECRET';
const link = { url: `https://${SECRET}.example/`, label: SECRET, staffOnly: false };

test('nothing is left of an outlet’s plan but titles and times', () => {
  const given = plan({
    courses: [course({ place: SECRET, meetingLink: SECRET, sections: [{ ...course().sections[0]!, meetings: [meeting()] }] })], // prettier-ignore
    entries: [
      event({ place: SECRET, meetingLink: SECRET, meetingText: SECRET, description: `<p>${SECRET}</p>`, links: [link] }), // prettier-ignore
      assignment({ handIn: SECRET, latePolicy: SECRET, description: SECRET, links: [link] }),
    ],
    sheets: [sheet([[booking({ note: SECRET, answer: SECRET, meetingLink: SECRET })]], { place: SECRET, meetingLink: SECRET })], // prettier-ignore
  });
  const seen = seenPlan(staff(HL), given, NOW);
  expect(JSON.stringify(seen)).toContain(SECRET);
  const bare = titlesOnly(seen);
  expect(JSON.stringify(bare)).not.toContain(SECRET);
  expect(bare.entries.map(({ title }) => title)).toEqual(['Rope walk', 'Body plan']);
  expect(bare.sheets[0]!.slots[0]!.interval).toEqual(seen.sheets[0]!.slots[0]!.interval);
});
