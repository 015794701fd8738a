import type { LinkState, LinkTest } from '../links/linkTest';

const REASONS: Readonly<Record<string, string>> = {
  badAddress: 'it leads to an address that cannot be read',
  blockedAddress: 'it leads into a private network',
  timeOut: 'it did not answer within 10 seconds',
  tooManyRedirects: 'it leads on and on',
  unreachable: 'no server answers there',
};

const links = (n: number) => (n === 1 ? '1 link' : `${n} links`);

/** Words of links that are tested. */
export const linkTexts = {
  states: {
    opens: 'opens',
    slow: 'opens slowly',
    moved: 'has moved',
    signIn: 'asks to sign in',
    fails: 'does not open',
  } satisfies Record<LinkState, string>,
  untested: 'not tested yet',
  /** What was found, in a few words: the answer's number, or why there was none. */
  why: ({ state, status, leadsTo, reason }: LinkTest) =>
    state === 'moved' && leadsTo
      ? `now at ${leadsTo}`
      : (REASONS[reason] ?? (status === undefined ? '' : `the answer was ${status}`)),
  fails: (url: string, why: string) => `A link does not open: ${url}${why ? ` (${why})` : ''}.`,
  moved: (url: string, why: string) => `A link has moved: ${url} is ${why}.`,
  mend: 'Look at the link',
  testAll: 'Test the links',
  testing: (done: number, of: number) => `Testing links: ${done} of ${of}`,
  tested: (count: number, failing: number) =>
    failing === 0 ? `Tested ${links(count)}: all open` : `Tested ${links(count)}: ${failing} do not open`,
  testThis: 'Test this link',
  openThis: 'Open it',
  /** What a test of one link found. */
  found: (test: LinkTest) => {
    const why = linkTexts.why(test);
    return `It ${linkTexts.states[test.state]}${why && test.state !== 'opens' && test.state !== 'slow' ? ` (${why})` : ''}.`;
  },
  filter: 'Links',
  filters: {
    any: 'All',
    some: 'With links',
    none: 'Without links',
    fails: 'A link does not open',
    moved: 'A link has moved',
    untested: 'A link is not tested',
  },
} as const;
