import type { Temporal } from 'temporal-polyfill';
import type { Viewer } from '../entries/viewer';
import type { OutletId } from '../ids';
import type { PublishedOutlet } from '../outlets/outlet';
import { DEFAULT_LOOK, PUBLISHED_DEFAULTS } from '../outlets/outlet';
import type { OutletContents } from '../outlets/outletContents';
import { outletContents } from '../outlets/outletContents';
import type { Plan } from '../plan/plan';
import type { Guardian } from './guardian';
import { guardianPlan, guardianViewer } from './guardian';

const KINDS = ['class', 'event', 'set', 'due', 'announcement', 'closure'] as const;

/**
 * What a guardian's address shows at an instant, with the outlet that a feed of it is: the child's courses as anybody of the child's
 * sections and groups reads them, and what whoever issued it chose besides. `plan` is that of the child's courses.
 */
export function guardianContents(
  { id, child, shows }: Pick<Guardian, 'id' | 'child' | 'shows'>,
  viewer: Extract<Viewer, { kind: 'person' }>,
  { name, plan, now }: Readonly<{ name: string; plan: Plan; now: Temporal.Instant }>,
): Readonly<{ outlet: PublishedOutlet; contents: OutletContents }> {
  const outlet: PublishedOutlet = {
    ...PUBLISHED_DEFAULTS,
    audience: 'roster',
    kind: 'feed',
    kinds: KINDS,
    id: id as OutletId,
    owner: child,
    generation: 0,
    name,
    courses: [...viewer.memberOf.keys()],
    look: { ...DEFAULT_LOOK, filters: false },
  };
  const seenBy = (own: boolean) => outletContents(outlet, guardianViewer(viewer, own), plan, now);
  const [plain, own] = [seenBy(false), seenBy(true)];
  const contents: OutletContents = {
    ...plain,
    plan: guardianPlan(plain.plan, own.plan, shows),
    has: (kind) => plain.has(kind) || (kind === 'booking' && shows.includes('bookings')),
  };
  return { outlet, contents };
}
