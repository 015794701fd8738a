import type { SeenPlan } from '../plan/seenPlan';
import type { OutletKind } from './outlet';
import { OUTLET_KINDS } from './outlet';
import type { OutletContents } from './outletContents';

type Held = Readonly<Record<OutletKind, number>>;

/** How many things of each kind a plan shows its reader now, whatever their number of days. */
export function countKinds({
  classes,
  entries,
  sheets,
  closures,
}: Pick<SeenPlan, 'classes' | 'entries' | 'sheets' | 'closures'>): Held {
  const shown = entries.flatMap((entry) => (entry.release === 'shown' ? [entry] : []));
  const of = (kind: string) => shown.filter((entry) => entry.kind === kind);
  const work = of('assignment');
  return {
    class: classes.length,
    event: of('event').length,
    announcement: of('announcement').length,
    due: work.length,
    set: work.filter((entry) => entry.kind === 'assignment' && entry.setOn !== undefined).length,
    times: sheets.filter(({ release }) => release === 'shown').length,
    closure: closures.length,
  };
}

/** The kinds that an outlet is ticked for, and of which it holds nothing now. */
export const emptyKinds = ({ plan, has }: Pick<OutletContents, 'plan' | 'has'>): OutletKind[] => {
  const held = countKinds(plan);
  return OUTLET_KINDS.filter((kind) => has(kind) && held[kind] === 0);
};
