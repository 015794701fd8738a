import { z } from 'zod';
import type { SiteRole } from './role';
import { siteRoleOf } from './role';
import { nameOf } from './siteName';
import { targetPath } from './target';

/*
 * The messages of LTI 1.3 Core, Deep Linking 2.0 and the claim of Names and Role Provisioning Services 2.0 (1EdTech), by their
 * claims. From memory: UNVERIFIED against the published texts, which could not be fetched where this was written.
 */
const LTI = 'https://purl.imsglobal.org/spec/lti/claim/';
const DEEP_LINKING = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
const MEMBERS = 'https://purl.imsglobal.org/spec/lti-nrps/claim/namesroleservice';

/** Why a launch is refused; each has a sentence (`texts/lti.ts`). */
export type LaunchFault =
  | 'noForm'
  | 'siteRefused'
  | 'noState'
  | 'stateOver'
  | 'otherBrowser'
  | 'unknownSite'
  | 'waitingSite'
  | 'noKeys'
  | 'notSigned'
  | 'wrongKey'
  | 'wrongIssuer'
  | 'wrongAudience'
  | 'expired'
  | 'wrongTime'
  | 'wrongNonce'
  | 'spent'
  | 'unknownDeployment'
  | 'wrongVersion'
  | 'unknownMessage'
  | 'missingClaims'
  | 'anonymous'
  | 'foreignTarget'
  | 'foreignReturn'
  | 'nothingToPlace';

const text = z.string().trim().min(1).max(2000);
const short = z.string().max(255).optional().catch(undefined);
const address = z.url({ protocol: /^https?$/ }).max(4000);

/** The claims that Pembit reads, by plain names. */
const plainly = (claims: Readonly<Record<string, unknown>>) => ({
  subject: claims.sub,
  nonce: claims.nonce,
  version: claims[`${LTI}version`],
  type: claims[`${LTI}message_type`],
  deployment: claims[`${LTI}deployment_id`],
  roles: claims[`${LTI}roles`],
  context: claims[`${LTI}context`],
  members: claims[MEMBERS],
  name: claims.name,
  given: claims.given_name,
  family: claims.family_name,
  email: claims.email,
  target: claims[`${LTI}target_link_uri`],
  link: claims[`${LTI}resource_link`],
  settings: claims[`${DEEP_LINKING}deep_linking_settings`],
});

/** What every message says. */
const common = z.object({
  subject: z.string().min(1).max(255),
  nonce: text,
  version: z.string(),
  type: z.string(),
  deployment: text.max(255),
  roles: z.array(z.string().max(400)).max(200),
  context: z.looseObject({ id: text.max(255), title: short, label: short }).optional(),
  members: z.looseObject({ context_memberships_url: address }).optional().catch(undefined),
  name: short,
  given: short,
  family: short,
  email: z.email().max(254).optional().catch(undefined),
});
type Common = z.output<typeof common>;

const resourceLink = z.object({ target: text, link: z.looseObject({ id: text.max(255) }) });

const deepLinking = z.object({
  settings: z.looseObject({
    deep_link_return_url: address,
    accept_types: z.array(z.string()).min(1),
    accept_presentation_document_targets: z.array(z.string()).min(1),
    accept_multiple: z.boolean().optional(),
    data: z.string().max(100_000).optional(),
  }),
});

/** The course of a site that a launch is from, and where its members are listed. */
export type SiteCourse = Readonly<{ context: string; title: string; membersUrl?: string }>;

/** Whom a site says somebody is. Name and address only where the school asks for them. */
export type SitePerson = Readonly<{ subject: string; role?: SiteRole; name?: string; email?: string }>;

export type Accepted = Readonly<{ types: readonly PlaceType[]; frames: boolean; several: boolean }>;
/** The types of Deep Linking that things of Pembit can be placed as. */
export type PlaceType = 'ltiResourceLink' | 'link' | 'html';
const PLACE_TYPES: readonly PlaceType[] = ['ltiResourceLink', 'link', 'html'];

/** What to do with what is picked. */
export type PlaceOrder = Readonly<{ returnUrl: string; accepted: Accepted; data?: string }>;

export type Launch = Readonly<{
  person: SitePerson;
  deployment: string;
  course?: SiteCourse;
  /** The path that opens, or what a page that is being written takes. */
  opens: Readonly<{ kind: 'target'; path: string }> | Readonly<{ kind: 'place'; order: PlaceOrder }>;
}>;

export type Expected = Readonly<{
  /** The nonce that went out with the state. */
  nonce: string;
  deployments: readonly string[];
  baseUrl: string;
  /** Where the site's own pages are. */
  origins: readonly string[];
  /** Whether the school wants names and addresses. */
  asksNames: boolean;
}>;

type Read = Readonly<{ ok: true; launch: Launch }> | Readonly<{ ok: false; fault: LaunchFault }>;
const no = (fault: LaunchFault): Read => ({ ok: false, fault });

const VERSION = '1.3.0';

/** Reads the claims of a token whose signature, issuer, audience and times are right. */
export function readMessage(claims: Readonly<Record<string, unknown>>, expected: Expected): Read {
  const plain = plainly(claims);
  if (typeof plain.subject !== 'string' || plain.subject === '') return no('anonymous');
  const read = common.safeParse(plain);
  if (!read.success) return no('missingClaims');
  const said = read.data;
  if (said.nonce !== expected.nonce) return no('wrongNonce');
  if (said.version !== VERSION) return no('wrongVersion');
  const { deployment } = said;
  if (!expected.deployments.includes(deployment)) return no('unknownDeployment');
  const from = { person: personOf(said, expected), deployment, ...courseOf(said) };
  switch (said.type) {
    case 'LtiResourceLinkRequest':
      return readTarget(plain, expected, from);
    case 'LtiDeepLinkingRequest':
      return readPlacing(plain, expected, from);
    default:
      return no('unknownMessage');
  }
}

type From = Omit<Launch, 'opens'>;

function readTarget(plain: unknown, { baseUrl }: Expected, from: From): Read {
  const read = resourceLink.safeParse(plain);
  if (!read.success) return no('missingClaims');
  const path = targetPath(read.data.target, baseUrl);
  return path === undefined
    ? no('foreignTarget')
    : { ok: true, launch: { ...from, opens: { kind: 'target', path } } };
}

function readPlacing(plain: unknown, { origins }: Expected, from: From): Read {
  const read = deepLinking.safeParse(plain);
  if (!read.success) return no('missingClaims');
  const { deep_link_return_url: returnUrl, accept_types: types, accept_multiple: several, data, ...rest } = read.data.settings; // prettier-ignore
  if (!origins.includes(new URL(returnUrl).origin)) return no('foreignReturn');
  const taken = PLACE_TYPES.filter((type) => types.includes(type));
  if (taken.length === 0) return no('nothingToPlace');
  const frames = rest.accept_presentation_document_targets.includes('iframe');
  const accepted = { types: taken, frames, several: several === true };
  const order = { returnUrl, accepted, ...(data === undefined ? {} : { data }) };
  return { ok: true, launch: { ...from, opens: { kind: 'place', order } } };
}

function personOf(
  { subject, roles, name, given, family, email }: Common,
  { asksNames }: Expected,
): SitePerson {
  const role = siteRoleOf(roles);
  const called = nameOf({ name, given, family });
  return {
    subject,
    ...(role ? { role } : {}),
    ...(asksNames && called ? { name: called } : {}),
    ...(asksNames && email ? { email: email.toLowerCase() } : {}),
  };
}

function courseOf({ context, members }: Common): Pick<Launch, 'course'> {
  if (!context) return {};
  const title = context.title || context.label || context.id;
  const membersUrl = members?.context_memberships_url;
  return { course: { context: context.id, title, ...(membersUrl ? { membersUrl } : {}) } };
} // prettier-ignore
