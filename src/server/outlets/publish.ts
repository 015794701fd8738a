import { randomUUID } from 'node:crypto';
import type { OutletId, PersonId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outlet } from '@/core/outlets/outlet';
import type { OutletInput } from '@/core/outlets/outletInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { publishTexts } from '@/core/texts/publish';
import { historyTexts } from '@/core/texts/history';
import { recordChange } from '@/data/history/change';
import { insertOutlet, outletsOwnedBy } from '@/data/outlets/outlets';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { outletToken, tokenHash } from './token';

export type PublishedOutlet = Outlet & Readonly<{ url: string }>;

/** The address people keep: `/feeds/TOKEN.ics` or `/embed/TOKEN`. */
export function outletUrl(pembit: Pembit, outlet: Outlet): string {
  const token = outletToken(pembit.secret, outlet.id, outlet.generation);
  const { baseUrl } = pembit.config;
  return outlet.kind === 'feed' ? `${baseUrl}/feeds/${token}.ics` : `${baseUrl}/embed/${token}`;
}

const withUrl = (pembit: Pembit, outlet: Outlet): PublishedOutlet => ({
  ...outlet,
  url: outletUrl(pembit, outlet),
});

/** An instructor publishes courses they teach, under an address that nobody can guess. */
export function publish(
  pembit: Pembit,
  actor: SignedIn,
  input: OutletInput,
): Promise<Outcome<PublishedOutlet>> {
  return perform(pembit, actor, 'publish', async (change) => {
    if (!input.courses.every((course) => isStaffOf(actor.viewer, course))) return refused('notYours');
    const { courses } = await loadFrame(change, input.courses);
    const known = new Set(courses.flatMap((course) => course.sections.map((section) => section.id)));
    if (!input.sections.every((section) => known.has(section)))
      return refused('badRequest', [
        { field: 'sections', message: 'This section is in none of the ticked courses.' },
      ]);
    const outlet: Outlet = { ...input, id: randomUUID() as OutletId, owner: actor.person.id, generation: 1 };
    await insertOutlet(change, outlet, tokenHash(outletToken(pembit.secret, outlet.id, outlet.generation)));
    change.summarise(historyTexts.published(outlet.name));
    return done(withUrl(pembit, outlet));
  });
}

/** What a person publishes or owns; their one personal feed is made when it is first asked for. */
export async function outletsFor(pembit: Pembit, { person }: SignedIn): Promise<PublishedOutlet[]> {
  const owned = await outletsOwnedBy(pembit, person.id);
  if (!owned.some((outlet) => outlet.audience === 'personal')) {
    await makePersonalFeed(pembit, person.id, person.name);
    return (await outletsOwnedBy(pembit, person.id)).map((outlet) => withUrl(pembit, outlet));
  }
  return owned.map((outlet) => withUrl(pembit, outlet));
}

async function makePersonalFeed(pembit: Pembit, owner: PersonId, name: string): Promise<void> {
  const act = { act: 'makePersonalFeed', summary: '', actor: owner, nowMs: pembit.now().epochMilliseconds };
  await recordChange(pembit.queue, act, async (change) => {
    // Two tabs may ask at once: the second finds the first one's.
    if ((await outletsOwnedBy(change, owner)).some((outlet) => outlet.audience === 'personal')) return;
    const outlet: Outlet = {
      id: randomUUID() as OutletId,
      kind: 'feed',
      audience: 'personal',
      name: publishTexts.personalName(name),
      owner,
      generation: 1,
    };
    await insertOutlet(change, outlet, tokenHash(outletToken(pembit.secret, outlet.id, 1)));
  });
}
