import { createRemoteJWKSet, customFetch } from 'jose';
import { z } from 'zod';
import type { Platform } from '@/core/lti/platform';
import { guardedGet, guardedPost } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import { signForSite } from './ownKeys';

/** In bytes: keys, tokens and pages of members are smaller. */
const LARGEST = 5 * 1024 * 1024;

const JSON_BODY = z.string().transform((text, context): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    context.addIssue({ code: 'custom', message: 'not JSON' });
    return z.NEVER;
  }
});

export type SiteAnswer = Readonly<{ body: unknown; link?: string; status: number }>;

/** What a site did not answer as it should. */
export class SiteSilent extends Error {}

type Asked = Readonly<{ headers?: Readonly<Record<string, string>>; body?: string }>;

/** Asks a site for JSON, with the one client that goes outside. @throws SiteSilent where it answers anything else */
export async function askSite({ config }: Pick<Pembit, 'config'>, url: string, { headers, body }: Asked = {}): Promise<SiteAnswer> {
  const request = { largest: LARGEST, beyond: 'refuse', headers } as const;
  const result = body === undefined ? await guardedGet(config, url, request) : await guardedPost(config, url, Buffer.from(body), request);
  if (!result.ok) throw new SiteSilent(`${new URL(url).host}: ${result.reason}`);
  const read = JSON_BODY.safeParse(result.body.toString('utf8'));
  if (result.status >= 300 || !read.success) throw new SiteSilent(`${new URL(url).host}: ${result.status}`);
  return { body: read.data, link: result.headers.link, status: result.status };
} // prettier-ignore

type KeySet = ReturnType<typeof createRemoteJWKSet>;
const known = new Map<string, KeySet>();

/** A site's keys, kept for ten minutes; an unknown one is looked for anew, at most twice a minute. */
export function keysOf({ config }: Pick<Pembit, 'config'>, { keysUrl }: Pick<Platform, 'keysUrl'>): KeySet {
  const found =
    known.get(keysUrl) ??
    createRemoteJWKSet(new URL(keysUrl), {
      cooldownDuration: 30_000,
      cacheMaxAge: 600_000,
      [customFetch]: async (url: string) => {
        const result = await guardedGet(config, url, { largest: LARGEST, beyond: 'refuse' });
        if (!result.ok) throw new SiteSilent(`${new URL(url).host}: ${result.reason}`);
        return new Response(new Uint8Array(result.body), { status: result.status });
      },
    });
  known.set(keysUrl, found);
  return found;
}

const given = z.looseObject({ access_token: z.string().min(1) });

/** A token for a service of a site: client credentials, shown by a signed assertion (RFC 7523, 2.2). */
export async function tokenFor(pembit: Pembit, platform: Platform, scope: string): Promise<string> {
  const { clientId, tokenUrl, tokenAudience } = platform;
  const assertion = await signForSite(pembit, {
    iss: clientId,
    sub: clientId,
    aud: tokenAudience || tokenUrl,
  });
  const form = new URLSearchParams({
    grant_type: 'client_credentials',
    client_assertion_type: 'urn:ietf:params:oauth:client-assertion-type:jwt-bearer',
    client_assertion: assertion,
    scope,
  });
  const headers = { 'content-type': 'application/x-www-form-urlencoded' };
  const { body } = await askSite(pembit, tokenUrl, { headers, body: form.toString() });
  const read = given.safeParse(body);
  if (!read.success) throw new SiteSilent(`${new URL(tokenUrl).host}: no token`);
  return read.data.access_token;
}
