import * as oidc from 'openid-client';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { RestKind } from '@/core/roster/oneRosterRest';
import { REST_KINDS, readRestRoster, recordsOf } from '@/core/roster/oneRosterRest';
import type { OneRosterReading } from '@/core/roster/readOneRoster';
import { rosterTexts as say } from '@/core/texts/roster';
import type { Pembit } from '../pembit';

type Service = NonNullable<Pembit['config']['rosterService']>;

/** The scope that reads rosters and nothing else, as OneRoster 1.2 names it (from memory). */
const SCOPE = 'https://purl.imsglobal.org/spec/or/v1p2/scope/roster-core.readonly';
const PAGE = 1000;
/** A school of more records than these is none. */
const MOST_PAGES = 500;
const WITHIN_SECONDS = 60;

/** Unencrypted only on this machine, where the stand-in is. */
const isLocal = (address: string) => {
  const { protocol, hostname } = new URL(address);
  return protocol === 'http:' && ['127.0.0.1', 'localhost'].includes(hostname);
};

function configurationOf({ tokens, client, secret }: Service): oidc.Configuration {
  const found = new oidc.Configuration({ issuer: new URL(tokens).origin, token_endpoint: tokens }, client, secret); // prettier-ignore
  found.timeout = WITHIN_SECONDS;
  if (isLocal(tokens)) oidc.allowInsecureRequests(found);
  return found;
}

/** What a service answered that is not what it should have. */
class Unexpected extends Error {}

async function recordsOfKind(found: oidc.Configuration, token: string, url: string, kind: RestKind): Promise<unknown[]> {
  const records: unknown[] = [];
  for (let page = 0; page < MOST_PAGES; page++) {
    const asked = new URL(`${url.replace(/\/$/, '')}/${kind}?limit=${PAGE}&offset=${records.length}`);
    const answer = await oidc.fetchProtectedResource(found, token, asked, 'GET');
    const read = answer.ok ? recordsOf(kind, await answer.json()) : undefined;
    if (!read) throw new Unexpected(`${kind}: ${answer.status}`);
    records.push(...read);
    if (read.length < PAGE) return records;
  }
  throw new Unexpected(`${kind}: no end`);
} // prettier-ignore

/** Asks the school's system for its lists (OneRoster 1.2 REST, with client credentials), all pages of each kind. */
export async function askRosterService({ log }: Pick<Pembit, 'log'>, service: Service): Promise<Outcome<OneRosterReading>> {
  try {
    const found = configurationOf(service);
    const { access_token: token } = await oidc.clientCredentialsGrant(found, { scope: SCOPE });
    const records: Partial<Record<RestKind, unknown[]>> = {};
    for (const kind of REST_KINDS) records[kind] = await recordsOfKind(found, token, service.url, kind);
    return done(readRestRoster(records as Record<RestKind, unknown[]>));
  } catch (error) {
    log.warn({ err: error, url: service.url }, 'The school’s system did not give its lists');
    const message = error instanceof Unexpected ? say.serviceAnswered({ what: error.message }) : say.serviceSilent;
    return refused('badRequest', [{ field: 'service', message }]);
  }
} // prettier-ignore
