import { createHash, randomUUID } from 'node:crypto';
import { SignJWT, createLocalJWKSet, exportJWK, generateKeyPair, jwtVerify } from 'jose';
import type { JSONWebKeySet, JWTPayload } from 'jose';
import type { SiteItem, SitePerson, SiteState } from './siteState';
import { newItem } from './siteState';

/*
 * The messages of LTI 1.3 as a course site sends and reads them, written apart from Pembit's own reading of them; from memory,
 * unverified against the published text.
 */
const ROLES = 'http://purl.imsglobal.org/vocab/lis/v2/membership';
const LTI = 'https://purl.imsglobal.org/spec/lti/claim';
const DL = 'https://purl.imsglobal.org/spec/lti-dl/claim';

export const COURSE = 'hull-lofting';

export type Signer = Readonly<{
  keySet: () => Promise<JSONWebKeySet>;
  sign: (claims: JWTPayload) => Promise<string>;
}>;

/** Keys of the stand-in's own, made when it starts. */
export function signer(now: () => number): Signer {
  const pair = generateKeyPair('RS256');
  const kid = randomUUID();
  return {
    keySet: async () => ({ keys: [{ ...(await exportJWK((await pair).publicKey)), kid, alg: 'RS256', use: 'sig' }] }),
    sign: async (claims) => {
      const seconds = Math.floor(now() / 1000);
      return new SignJWT({ ...claims, iat: seconds, exp: seconds + 300 })
        .setProtectedHeader({ alg: 'RS256', kid })
        .sign((await pair).privateKey);
    },
  };
} // prettier-ignore

/** The long name of a role in a course. */
export const roleUri = (role: string): string =>
  role === 'TeachingAssistant' ? `${ROLES}/Instructor#TeachingAssistant` : `${ROLES}#${role}`;

type Said = Readonly<{ issuer: string; state: SiteState; person: SitePerson; nonce: string }>;

const base = ({ issuer, state: { tool, title }, person, nonce }: Said) => ({
  iss: issuer,
  aud: tool.clientId,
  sub: person.id,
  nonce,
  name: person.name,
  email: person.email,
  [`${LTI}/version`]: '1.3.0',
  [`${LTI}/deployment_id`]: tool.deployment,
  [`${LTI}/roles`]: [roleUri(person.role)],
  [`${LTI}/context`]: { id: COURSE, label: 'HL 210', title },
  'https://purl.imsglobal.org/spec/lti-nrps/claim/namesroleservice': {
    context_memberships_url: `${issuer}/members`,
    service_versions: ['2.0'],
  },
});

/** Somebody opens an item of the page. */
export const openingClaims = (said: Said, item: Pick<SiteItem, 'id' | 'title' | 'url'>): JWTPayload => ({
  ...base(said),
  [`${LTI}/message_type`]: 'LtiResourceLinkRequest',
  [`${LTI}/target_link_uri`]: item.url,
  [`${LTI}/resource_link`]: { id: item.id, title: item.title },
});

/** Somebody who writes the page wants to place something. */
export const placingClaims = (said: Said): JWTPayload => ({
  ...base(said),
  [`${LTI}/message_type`]: 'LtiDeepLinkingRequest',
  [`${DL}/deep_linking_settings`]: {
    deep_link_return_url: `${said.issuer}/placed`,
    accept_types: ['ltiResourceLink', 'link', 'html'],
    accept_presentation_document_targets: ['iframe', 'window'],
    accept_multiple: false,
    data: `page ${said.nonce}`,
  },
});

/** Checks a message of the tool's by the keys that it shows. @throws where it is not its own */
export async function fromTool(jwt: string, { issuer, state: { tool }, now }: Readonly<{ issuer: string; state: SiteState; now: () => number }>): Promise<JWTPayload> {
  const answer = await fetch(tool.keys);
  const keys = createLocalJWKSet((await answer.json()) as JSONWebKeySet);
  const { payload } = await jwtVerify(jwt, keys, { algorithms: ['RS256'], issuer: tool.clientId, audience: [issuer, `${issuer}/token`], currentDate: new Date(now()) });
  return payload;
} // prettier-ignore

type ContentItem = Readonly<{
  type: string;
  title?: string;
  url?: string;
  html?: string;
  iframe?: { height?: number };
}>;

/** What the tool wants to stand on the page. */
export function placedItems(payload: JWTPayload): SiteItem[] {
  const items = (payload[`${DL}/content_items`] ?? []) as readonly ContentItem[];
  return items.map(({ type, title = '', url = '', html = '', iframe }) =>
    newItem({ type, title, url, html, height: iframe?.height ?? 0 }),
  );
}

/** A name for an access token that nobody guesses. */
export const newToken = (): string => createHash('sha256').update(randomUUID()).digest('hex');
