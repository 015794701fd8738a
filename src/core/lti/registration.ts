import { z } from 'zod';
import type { PlatformInput } from './platform';
import { MEMBERS_SCOPE } from './members';

/*
 * LTI Dynamic Registration 1.0 (1EdTech) over OpenID Connect Dynamic Client Registration 1.0; from memory, UNVERIFIED.
 */
const TOOL = 'https://purl.imsglobal.org/spec/lti-tool-configuration';
const PLATFORM = 'https://purl.imsglobal.org/spec/lti-platform-configuration';

const address = z.url({ protocol: /^https?$/ }).max(2000);

const configuration = z.looseObject({
  issuer: z.string().min(1).max(255).refine((text) => URL.canParse(text)),
  authorization_endpoint: address,
  token_endpoint: address,
  jwks_uri: address,
  registration_endpoint: address,
  authorization_server: z.string().max(2000).optional().catch(undefined),
  [PLATFORM]: z.looseObject({ product_family_code: z.string().max(100).optional().catch(undefined) }).optional().catch(undefined),
}); // prettier-ignore

/** What a site says of itself to whoever registers. */
export type SiteConfiguration = Omit<PlatformInput, 'clientId' | 'deployments' | 'origins' | 'asksNames'> &
  Readonly<{ registrationUrl: string }>;

/** Reads a site's OpenID configuration; it must stand on the host that it names as its issuer's. */
export function readConfiguration(body: unknown, from: string): SiteConfiguration | undefined {
  const read = configuration.safeParse(body);
  if (!read.success) return undefined;
  const said = read.data;
  if (new URL(said.issuer).host !== new URL(from).host) return undefined;
  return {
    name: new URL(said.issuer).host,
    issuer: said.issuer,
    keysUrl: said.jwks_uri,
    authUrl: said.authorization_endpoint,
    tokenUrl: said.token_endpoint,
    tokenAudience: said.authorization_server ?? '',
    registrationUrl: said.registration_endpoint,
  };
}

/** What Pembit tells a site of itself, to be registered there. */
export function registrationOf(baseUrl: string, name: string) {
  const at = (path: string) => new URL(path, baseUrl).href;
  return {
    application_type: 'web',
    response_types: ['id_token'],
    grant_types: ['implicit', 'client_credentials'],
    initiate_login_uri: at('/lti/login'),
    redirect_uris: [at('/lti/launch')],
    client_name: name,
    jwks_uri: at('/lti/keys.json'),
    token_endpoint_auth_method: 'private_key_jwt',
    scope: MEMBERS_SCOPE,
    [TOOL]: {
      domain: new URL(baseUrl).host,
      target_link_uri: at('/lti/launch'),
      claims: ['iss', 'sub', 'name', 'given_name', 'family_name', 'email'],
      messages: [
        { type: 'LtiResourceLinkRequest' },
        { type: 'LtiDeepLinkingRequest', target_link_uri: at('/lti/launch') },
      ],
    },
  };
}

const answer = z.looseObject({
  client_id: z.string().min(1).max(255),
  [TOOL]: z.looseObject({ deployment_id: z.string().max(255).optional().catch(undefined) }).optional().catch(undefined),
}); // prettier-ignore

/** What a site answers to a registration: the client id, and where it says so the first deployment. */
export function readRegistered(
  body: unknown,
): Readonly<{ clientId: string; deployment?: string }> | undefined {
  const read = answer.safeParse(body);
  if (!read.success) return undefined;
  const deployment = (read.data[TOOL] as { deployment_id?: string } | undefined)?.deployment_id;
  return { clientId: read.data.client_id, ...(deployment ? { deployment } : {}) };
}
