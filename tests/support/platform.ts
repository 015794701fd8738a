import { randomUUID } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { GenerateKeyPairResult, JWTHeaderParameters, JWTPayload } from 'jose';
import { SignJWT, decodeJwt, exportJWK, generateKeyPair } from 'jose';

type Pair = GenerateKeyPairResult & Readonly<{ kid: string }>;
export type Member = Readonly<Record<string, unknown>>;

export type Platform = Readonly<{
  origin: string;
  issuer: string;
  clientId: string;
  /** The key that is shown and signs now; `rotate` makes another, and shows it alone. */
  pair: () => Pair;
  rotate: () => Promise<void>;
  sign: (claims: JWTPayload, options?: SignOptions) => Promise<string>;
  /** What the tool has sent to the token endpoint, read. */
  assertions: JWTPayload[];
  /** Whom it lists, so many a page. */
  members: { all: Member[]; page: number; broken?: number };
  /** How it was registered with. */
  registrations: { token: string; body: Record<string, unknown> }[];
  close: () => Promise<void>;
}>;
export type SignOptions = Readonly<{ header?: Partial<JWTHeaderParameters>; key?: Parameters<SignJWT['sign']>[0]; atMs?: number }>; // prettier-ignore

const newPair = async (): Promise<Pair> => ({ ...(await generateKeyPair('RS256', { extractable: true })), kid: randomUUID() }); // prettier-ignore

async function bodyOf(request: IncomingMessage): Promise<string> {
  let text = '';
  for await (const chunk of request) text += String(chunk);
  return text;
}

/** A course site for tests: keys, tokens, members, registration, on a port of its own. `now`: epoch milliseconds. */
export async function newPlatform(now: () => number): Promise<Platform> {
  let pair = await newPair();
  const assertions: JWTPayload[] = [];
  const members: Platform['members'] = { all: [], page: 50 };
  const registrations: Platform['registrations'] = [];
  const server = createServer((request, response) => {
    void (async () => {
      const url = new URL(request.url ?? '/', origin());
      const json = (body: unknown, status = 200) => {
        response.writeHead(status, { 'content-type': 'application/json' });
        response.end(JSON.stringify(body));
      };
      const text = await bodyOf(request);
      if (url.pathname === '/keys')
        return json({ keys: [{ ...(await exportJWK(pair.publicKey)), kid: pair.kid, alg: 'RS256', use: 'sig' }] });
      if (url.pathname === '/token') {
        assertions.push(decodeJwt(new URLSearchParams(text).get('client_assertion') ?? ''));
        return json({ access_token: 'for-members', token_type: 'Bearer', expires_in: 3600 });
      }
      if (url.pathname === '/members') {
        if (request.headers.authorization !== 'Bearer for-members') return json({}, 401);
        if (members.broken) return json({}, members.broken);
        const from = Number(url.searchParams.get('from') ?? 0);
        const next = from + members.page;
        if (next < members.all.length) response.setHeader('link', `<${origin()}/members?from=${next}>; rel="next"`);
        return json({ id: origin(), members: members.all.slice(from, next) });
      }
      if (url.pathname === '/configuration')
        return json({ issuer: origin(), authorization_endpoint: `${origin()}/auth`, token_endpoint: `${origin()}/token`, jwks_uri: `${origin()}/keys`, registration_endpoint: `${origin()}/register` });
      if (url.pathname === '/register') {
        registrations.push({ token: request.headers.authorization ?? '', body: JSON.parse(text) as Record<string, unknown> });
        return json({ client_id: `client-${registrations.length}`, 'https://purl.imsglobal.org/spec/lti-tool-configuration': { deployment_id: '7' } });
      }
      return json({}, 404);
    })();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const origin = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const clientId = 'pembit-at-test';
  return {
    origin: origin(),
    issuer: origin(),
    clientId,
    pair: () => pair,
    rotate: async () => void (pair = await newPair()),
    sign: (claims, { header, key, atMs = now() } = {}) =>
      new SignJWT({ iss: origin(), aud: clientId, iat: Math.floor(atMs / 1000), exp: Math.floor(atMs / 1000) + 300, ...claims })
        .setProtectedHeader({ alg: 'RS256', kid: pair.kid, ...header })
        .sign(key ?? pair.privateKey),
    assertions,
    members,
    registrations,
    close: () => new Promise((resolve) => void server.close(() => resolve())),
  };
} // prettier-ignore
