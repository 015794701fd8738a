/** Pages that open inside a course's site: plans, days, times, entries, materials; nothing of accounts, tokens, the office. */
const PAGES: readonly RegExp[] = [
  /^\/$/,
  /^\/(next|today|due|term|week|month|everything|materials|sign-up|office-hours|checks|load|help)$/,
  /^\/(day|e|m|f|s|class|sign-up|office-hours|materials|help)\/[^/]+(\/[a-z-]+)?$/,
  /^\/lti\/[a-z/0-9-]+$/,
];

/** Whether a page is shown to somebody who came by a launch. */
export const isShownOnSites = (path: string): boolean => PAGES.some((page) => page.test(path.split(/[?#]/)[0]!)); // prettier-ignore

/** An address under which nothing is of its own: what was placed without saying what. */
const WITHOUT_TARGET = ['/lti/launch', '/lti/launch/'];

/** The path that a launch asks for: on our own origin, and one that sites may show; undefined for any other. */
export function targetPath(address: string, baseUrl: string): string | undefined {
  if (!URL.canParse(address)) return undefined;
  const { origin, pathname, search, username, password } = new URL(address);
  if (origin !== new URL(baseUrl).origin || username || password) return undefined;
  if (WITHOUT_TARGET.includes(pathname)) return '/';
  // An address such as //elsewhere.example would lead away.
  if (pathname.startsWith('//') || pathname.startsWith('/lti/') || !isShownOnSites(pathname))
    return undefined;
  return pathname + search;
}
