import { capabilityOf } from '../tokens/capabilityOf';

/** What pages inside a course's site call besides the plan and what hangs on it. */
const BESIDES =
  /^(health|kept|joining|session|offered-places\/[^/]+|history\/[^/]+\/undo|sheets\/[^/]+\/(link|session)|lti\/.+)$/;

/** Whether a route answers to a session that a course site opened: nothing of accounts, access, people or the school. */
export function isOpenOnSites(method: string, path: string): boolean {
  const needed = capabilityOf(method, path);
  return BESIDES.test(path) || (needed !== undefined && !['school', 'outlets'].includes(needed.capability));
}
