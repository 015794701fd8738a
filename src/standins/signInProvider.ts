import { createHash, randomUUID } from 'node:crypto';
import { SignJWT, exportJWK, generateKeyPair } from 'jose';
import type { Handler } from './http';
import { formOf, redirect, send } from './http';
import { escape, page } from './page';

const WHAT = 'a small simulated sign-in of a school (OpenID Connect). It asks for no password.';
const PATH = '/school-sign-in';

type Grant = Readonly<{ email: string; verified: boolean; nonce: string; challenge: string; client: string; redirectUri: string }>; // prettier-ignore

/**
 * OpenID Connect, as much as a sign-in takes: discovery, keys, an authorization page where one says who one is, and tokens
 * for a code with PKCE (S256). Codes work once.
 */
export function signInProvider(): Handler {
  const keys = generateKeyPair('RS256');
  const kid = randomUUID();
  const grants = new Map<string, Grant>();
  const json = (response: Parameters<Handler>[1], body: unknown, status = 200) =>
    send(response, JSON.stringify(body), 'application/json', status);

  return async (request, response, url) => {
    const issuer = `http://${request.headers.host}${PATH}`;
    switch (url.pathname) {
      case `${PATH}/.well-known/openid-configuration`:
        return json(response, {
          issuer,
          authorization_endpoint: `${issuer}/authorize`,
          token_endpoint: `${issuer}/token`,
          jwks_uri: `${issuer}/keys`,
          response_types_supported: ['code'],
          subject_types_supported: ['public'],
          id_token_signing_alg_values_supported: ['RS256'],
          code_challenge_methods_supported: ['S256'],
        });
      case `${PATH}/keys`:
        return json(response, {
          keys: [{ ...(await exportJWK((await keys).publicKey)), kid, alg: 'RS256', use: 'sig' }],
        });
      case `${PATH}/authorize`: {
        const fields = [...url.searchParams].map(([k, v]) => `<input type="hidden" name="${escape(k)}" value="${escape(v)}">`).join(''); // prettier-ignore
        return send(
          response,
          page(
            'Sign in at the school',
            WHAT,
            `<form method="post" action="${PATH}/consent">${fields}
             <p><label>Address you sign in with<br><input type="text" name="email" value="maren@kittiwake.example"></label></p>
             <p><label><input type="checkbox" name="unverified"> the school has not verified this address</label></p>
             <button>Go on</button></form>`,
          ),
        );
      }
      case `${PATH}/consent`: {
        const form = await formOf(request);
        const get = (name: string) => form.get(name) ?? '';
        const code = randomUUID();
        grants.set(code, { email: get('email'), verified: !form.has('unverified'), nonce: get('nonce'), challenge: get('code_challenge'), client: get('client_id'), redirectUri: get('redirect_uri') }); // prettier-ignore
        return redirect(response, `${get('redirect_uri')}?${new URLSearchParams({ code, state: get('state') })}`); // prettier-ignore
      }
      case `${PATH}/token`: {
        const form = await formOf(request);
        const code = form.get('code') ?? '';
        const grant = grants.get(code);
        grants.delete(code);
        const proof = createHash('sha256').update(form.get('code_verifier') ?? '').digest('base64url'); // prettier-ignore
        if (!grant || grant.challenge !== proof || grant.redirectUri !== form.get('redirect_uri'))
          return json(response, { error: 'invalid_grant' }, 400);
        const token = await new SignJWT({ email: grant.email, email_verified: grant.verified, nonce: grant.nonce })
          .setProtectedHeader({ alg: 'RS256', kid })
          .setIssuer(issuer)
          .setAudience(grant.client)
          .setSubject(grant.email)
          .setIssuedAt()
          .setExpirationTime('5m')
          .sign((await keys).privateKey); // prettier-ignore
        return json(response, { access_token: randomUUID(), token_type: 'Bearer', expires_in: 300, id_token: token }); // prettier-ignore
      }
      default:
        return false;
    }
  };
}
