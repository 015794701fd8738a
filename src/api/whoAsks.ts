import { parseCookie } from 'cookie';
import { isOpenOnSites } from '@/core/lti/openRoutes';
import { capabilityOf } from '@/core/tokens/capabilityOf';
import type { Token } from '@/core/tokens/token';
import { permits } from '@/core/tokens/token';
import type { Refusal } from '@/core/refusals';
import type { Pembit } from '@/server/pembit';
import { owesSecondStep } from '@/server/session/secondStep';
import type { SignedIn } from '@/server/session/session';
import { signedInWith } from '@/server/session/session';
import { bearerOf } from '@/server/tokens/bearer';

/** Who asks, and from which other origin, if a token is open to it; or why nothing is answered. */
export type Asking =
  | Readonly<{ refusal: Refusal; origin?: string }>
  | Readonly<{ actor: SignedIn | undefined; origin?: string }>;

type Needed = NonNullable<ReturnType<typeof capabilityOf>>;

/** A route that any token may ask holds what that token reads. */
const isGoodFor = (token: Token, { capability, write }: Needed) =>
  capability === 'any' || permits(token, capability, write);

const BEARER = /^Bearer +(\S+)$/i;

/** By the token that a request carries, else by the cookie of its browser: one of them, never both. */
export async function whoAsks(
  pembit: Pembit,
  request: Request,
  { beforeSecondStep, provesItself }: Readonly<{ beforeSecondStep?: true; provesItself?: true }>,
): Promise<Asking> {
  const { baseUrl } = pembit.config;
  const carried = BEARER.exec(request.headers.get('authorization') ?? '')?.[1];
  if (carried !== undefined) return byToken(pembit, request, carried);
  if (request.method !== 'GET' && !provesItself && !sameOrigin(request, baseUrl))
    return { refusal: 'wrongOrigin' };
  const jar = parseCookie(request.headers.get('cookie') ?? '');
  const actor = await signedInWith(pembit, (name) => jar[name], { owing: true });
  const path = pathOf(request);
  if (actor?.site && !isOpenOnSites(request.method, path)) return { refusal: 'notOnSites' };
  if (actor && !beforeSecondStep && (await owesSecondStep(pembit, actor)))
    return { refusal: 'secondStepOwed' };
  return { actor };
}

const pathOf = ({ url }: Request) => new URL(url).pathname.replace(/^\/api\//, '').replace(/\/$/, '');

async function byToken(pembit: Pembit, request: Request, secret: string): Promise<Asking> {
  const needed = capabilityOf(request.method, pathOf(request));
  const bearer = await bearerOf(pembit, secret, { write: needed?.write ?? false });
  if (!bearer) return { refusal: 'noSuchToken' };
  const from = request.headers.get('origin');
  const foreign = from !== null && from !== new URL(pembit.config.baseUrl).origin;
  if (foreign && !bearer.token.origins.includes(from)) return { refusal: 'wrongOrigin' };
  const open = foreign ? { origin: from } : {};
  if (!needed || !isGoodFor(bearer.token, needed)) return { refusal: 'notInScope', ...open };
  return { actor: bearer.actor, ...open };
}

function sameOrigin(request: Request, baseUrl: string): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin' || site === 'none';
  const origin = request.headers.get('origin');
  return !origin || origin === new URL(baseUrl).origin;
}
