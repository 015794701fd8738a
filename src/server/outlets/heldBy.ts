import { mayIn } from '@/core/may/may';
import { emptyKinds } from '@/core/outlets/heldKinds';
import { outletContents } from '@/core/outlets/outletContents';
import type { OutletKind } from '@/core/outlets/outlet';
import type { OutletInput } from '@/core/outlets/outletInput';
import { outletViewer } from '@/core/outlets/outletViewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Pembit } from '../pembit';
import { keptPlan } from '../plan/keptPlan';
import type { SignedIn } from '../session/session';
import { asComposed } from './publish';

/** Which of the ticked kinds an outlet that is being composed would hold nothing of. */
export async function emptyIn(
  pembit: Pembit,
  actor: SignedIn,
  input: OutletInput,
): Promise<Outcome<{ empty: OutletKind[] }>> {
  if (!input.courses.every((course) => mayIn(actor, 'publish', course))) return refused('notFound');
  const plan = await keptPlan(pembit, input.courses);
  const outlet = await asComposed(pembit, actor, input, plan);
  const viewer = outletViewer(outlet, actor.viewer);
  return done({ empty: emptyKinds(outletContents(outlet, viewer, plan, pembit.now())) });
}
