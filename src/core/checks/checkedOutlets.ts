import type { CheckedOutlet, CheckedPlace } from './check';

/** An outlet as what a finding is about; it is put right where it is composed. */
export const placeOf = ({
  id,
  name,
  courses,
  sections,
  audience,
  generation,
}: CheckedOutlet): CheckedPlace => ({
  id,
  title: name,
  courses,
  href: `/publish/${id}`,
  version: [generation, audience, ...courses, ...sections].join(' '),
});
