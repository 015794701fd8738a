import type { Viewer } from '@/core/entries/viewer';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Term } from '@/core/time/term';
import { shownTerm } from '@/core/time/term';
import type { Pembit } from '@/server/pembit';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { seeAsViewer } from '@/server/plan/seeAs';
import { todayIn } from '@/server/plan/todayIn';
import type { SignedIn } from '@/server/session/session';

export type PanelPlan = Readonly<{ plan: SeenPlan; term?: Term; viewer: Viewer; readOnly: boolean }>;

/** The plan that the panel reads from: the actor's own, or, read only, that of somebody as whom they look. */
export async function panelPlan(
  pembit: Pembit,
  actor: SignedIn,
  { as, term }: { as?: string; term?: string },
): Promise<PanelPlan> {
  const other = await seeAsViewer(pembit, actor, as);
  const viewer = other?.viewer ?? actor.viewer;
  const plan = await planSeenBy(pembit, viewer, { notes: !other });
  return {
    plan,
    viewer,
    term: shownTerm(plan.terms, todayIn(pembit, plan), term),
    readOnly: other !== undefined,
  };
}
