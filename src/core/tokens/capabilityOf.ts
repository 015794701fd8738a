import type { Capability } from './capability';

/** For people who are signed in alone, though tokens reach what lies around them: by undoing, an act of any part is undone. */
const CLOSED: readonly RegExp[] = [/^sheets\/[^/]+\/(link|session)$/, /^history\/[^/]+\/undo$/];

/** By the path of a route, the first that fits; what stands in none is for people who are signed in alone. */
const ROUTES: readonly (readonly [path: RegExp, capability: Capability | 'any', methods?: readonly string[]])[] = [
  [/^events$/, 'any'],
  [/^entries\/[^/]+\/(done|reply)$/, 'own'],
  [/^(changes|questions|answers|asking)(\/|$)/, 'own'],
  [/^courses\/[^/]+\/(start|questions)$/, 'own'],
  [/^(courses|terms)$/, 'school', ['POST']],
  [/^terms\/[^/]+$/, 'plan', ['GET']],
  [/^(terms|site-dates)\//, 'school'],
  [/^(settings|site-dates|tables|tables\/(file|preview))$/, 'school'],
  [/^people$/, 'school'],
  [/^people\/[^/]+$/, 'school', ['PUT']],
  [/^people\/[^/]+\/(active|invitation|minor)$/, 'school'],
  [/^courses\/[^/]+$/, 'school', ['DELETE']],
  [/^courses\/[^/]+\/(roster|groups|staff|joining|arrangements|messages)(\/|$)/, 'people'],
  [/^(corrections|letters)\//, 'people'],
  [/^courses\/[^/]+\/(materials|cartridge|links)(\/|$)/, 'materials'],
  [/^(materials|files|links)(\/|$)/, 'materials'],
  [/^(sheets|slots|bookings|rooms)(\/|$)/, 'hours'],
  [/^(outlets|calendars)(\/|$)/, 'outlets'],
  [/^courses\/[^/]+\/feeds$/, 'outlets'],
  [/^(away|carry-over|checks|class-plans|closures|courses|days|entries|history|load|meetings|occurrences|plans|quick-line|sections|terms|version)(\/|$)/, 'plan'],
]; // prettier-ignore

/** What looks without changing anything, though much has to be sent for it. */
const LOOKS =
  /(^|\/)(preview|hits|effects)$|^(outlets\/empty|links\/test|load\/spread|courses\/[^/]+\/schedule\/file|tables\/file)$/;

/** What a token has to be good for at a route of the API, such as `entries/ID`; undefined: no token is. */
export function capabilityOf(
  method: string,
  path: string,
): Readonly<{ capability: Capability | 'any'; write: boolean }> | undefined {
  if (CLOSED.some((pattern) => pattern.test(path))) return undefined;
  const found = ROUTES.find(([pattern, , methods]) => pattern.test(path) && (methods?.includes(method) ?? true));
  if (!found) return undefined;
  return { capability: found[1], write: method !== 'GET' && method !== 'HEAD' && !LOOKS.test(path) };
} // prettier-ignore
