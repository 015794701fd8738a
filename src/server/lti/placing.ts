import { randomBytes } from 'node:crypto';
import { readsAsStaff } from '@/core/entries/viewer';
import type { PlaceOrder } from '@/core/lti/message';
import type { Placed } from '@/core/lti/placing';
import { placingClaims } from '@/core/lti/placing';
import type { PlacedInput } from '@/core/lti/placedInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { ltiTexts } from '@/core/texts/lti';
import { outletsFor } from '../outlets/publish';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Arriving } from './arrive';
import { waitingLaunch } from './linkCourse';
import { signForSite } from './ownKeys';

export type PlaceWaiting = Arriving & Readonly<{ order: PlaceOrder }>;

/** A page of a site that waits for what its writer places in it; for those who plan or help in a course here. */
export async function waitingPlacing(pembit: Pembit, actor: SignedIn, id: string): Promise<PlaceWaiting | undefined> {
  const waiting = await waitingLaunch(pembit, actor, id);
  if (waiting?.launch.opens.kind !== 'place') return undefined;
  const { viewer } = actor;
  const teaches = viewer.staffOf.size > 0 || [...viewer.helps.keys()].some((course) => readsAsStaff(viewer, course));
  return teaches ? { ...waiting, order: waiting.launch.opens.order } : undefined;
} // prettier-ignore

/** What goes back to the site: where, and a signed message that its own page posts. */
export type PlaceAnswer = Readonly<{ to: string; jwt: string }>;

/** Places something in the page of the site that waits for it, or nothing. */
export async function place(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  input: PlacedInput | undefined,
): Promise<Outcome<PlaceAnswer>> {
  const waiting = await waitingPlacing(pembit, actor, id);
  if (!waiting) return refused('launchOver');
  const placed = input && (await placedOf(pembit, actor, waiting.order, input));
  if (placed && !placed.ok) return placed;
  const { platform, launch, order } = waiting;
  const claims = placingClaims({
    clientId: platform.clientId,
    issuer: platform.issuer,
    deployment: launch.deployment,
    nonce: randomBytes(16).toString('base64url'),
    placed: placed ? [placed.value] : [],
    ...(order.data === undefined ? {} : { data: order.data }),
  });
  return done({ to: order.returnUrl, jwt: await signForSite(pembit, claims) });
}

const WIDTH = 800;

/** What is placed, in a way that the site takes. An embed needs nobody's sign-in; all else opens by a launch. */
async function placedOf(pembit: Pembit, actor: SignedIn, { accepted }: PlaceOrder, { kind, path, title, frame }: PlacedInput): Promise<Outcome<Placed>> {
  const { baseUrl } = pembit.config;
  const bad = (field: string, message: string) => refused('badRequest', [{ field, message }]);
  const size = frame === undefined || !accepted.frames ? {} : { frame: { width: WIDTH, height: frame } };
  if (kind === 'embed') {
    const outlet = (await outletsFor(pembit, actor)).find(({ id }) => id === path);
    if (outlet?.kind !== 'embed') return bad('path', ltiTexts.place.none);
    const type = size.frame && accepted.types.includes('html') ? 'html' : 'link';
    if (!accepted.types.includes(type)) return bad('path', ltiTexts.faults.nothingToPlace);
    return done({ type, title, url: outlet.url, ...size });
  }
  const type = accepted.types.includes('ltiResourceLink') ? 'ltiResourceLink' : 'link';
  if (!accepted.types.includes(type)) return bad('path', ltiTexts.faults.nothingToPlace);
  return done({ type, title, url: `${baseUrl}${path}`, ...size });
} // prettier-ignore
