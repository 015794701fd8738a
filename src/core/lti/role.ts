/** What somebody is in a course of a site, as far as Pembit minds. */
export type SiteRole = 'teaches' | 'assists' | 'takes';

const MEMBERSHIP = 'http://purl.imsglobal.org/vocab/lis/v2/membership';
/** Roles in a course may come by their bare names (LTI 1.3, A.2.3; from memory, UNVERIFIED). */
const isRole = (name: string) => (role: string) => role === `${MEMBERSHIP}#${name}` || role === name;
const isAssistant = (role: string) => role.startsWith(`${MEMBERSHIP}/Instructor#TeachingAssistant`);
const TEST_USER = 'http://purl.imsglobal.org/vocab/lti/system/person#TestUser';

/**
 * The role in the course that a launch is from. Roles of the whole site (its administrators) and of its institution say nothing
 * about a course; who watches over somebody, or writes content only, has no part in one here.
 */
export function siteRoleOf(roles: readonly string[]): SiteRole | undefined {
  if (roles.includes(TEST_USER)) return undefined;
  if (roles.some(isAssistant)) return 'assists';
  if (roles.some(isRole('Instructor'))) return 'teaches';
  return roles.some(isRole('Learner')) ? 'takes' : undefined;
}
