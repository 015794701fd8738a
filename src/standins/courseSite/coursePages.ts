import type { Handler } from '../http';
import { redirect, send, textOf } from '../http';
import { escape, page } from '../page';
import {
  COURSE,
  fromTool,
  newToken,
  openingClaims,
  placedItems,
  placingClaims,
  roleUri,
  signer,
} from './siteMessages';
import type { SiteItem, SitePerson } from './siteState';
import { peopleOf, siteState } from './siteState';

const WHAT =
  'a small simulated course site that launches into Pembit (LTI 1.3). It asks nobody for a password.';
const PATH = '/course-site';

/** Keeps for the tool what its frame asks it to, as a site does where cookies do not come. */
const STORAGE = `<script>
const kept = new Map();
addEventListener('message', ({ data, source, origin }) => {
  if (data && data.subject === 'lti.put_data') kept.set(origin + data.key, data.value);
  if (data && /^lti\\.(put|get)_data$/.test(data.subject))
    source.postMessage({ subject: data.subject + '.response', message_id: data.message_id, key: data.key, value: kept.get(origin + data.key) }, origin);
});
</script>`;

/**
 * A course with members, a page with what the tool has placed on it, and what a platform of LTI 1.3 answers: keys, sign-in,
 * tokens, members, registration. `?as=ID` says who looks.
 */
export function coursePages({ pembitUrl, now }: Readonly<{ pembitUrl: string; now: () => number }>): Handler {
  const state = siteState(pembitUrl);
  const keys = signer(now);

  const personOf = (id: string | null) => peopleOf(state).find((one) => one.id === id);
  const loginUrl = (issuer: string, person: SitePerson, { hint, target }: { hint: string; target: string }) =>
    `${state.tool.login}?${new URLSearchParams({ iss: issuer, client_id: state.tool.clientId, lti_deployment_id: state.tool.deployment, login_hint: person.id, lti_message_hint: hint, target_link_uri: target, lti_storage_target: '_parent' }).toString()}`;

  const itemHtml = (issuer: string, person: SitePerson, item: SiteItem) => {
    if (item.type === 'html') return item.html;
    const url = item.type === 'ltiResourceLink' ? loginUrl(issuer, person, { hint: item.id, target: item.url }) : item.url;
    return item.height > 0
      ? `<iframe src="${escape(url)}" title="${escape(item.title)}" width="100%" height="${item.height}" style="border:1px solid #ccc"></iframe>`
      : `<p><a href="${escape(url)}" target="_blank">${escape(item.title)}</a></p>`;
  };

  const coursePage = (issuer: string, person: SitePerson) =>
    `<p>You are ${escape(person.name)}, ${escape(person.role)}. Be ${peopleOf(state)
      .filter(({ id }) => id !== person.id)
      .map(({ id, name }) => `<a href="${PATH}/course?as=${escape(id)}">${escape(name)}</a>`)
      .join(', ')}</p>
     ${state.items.map((item) => `<h2>${escape(item.title)}</h2>${itemHtml(issuer, person, item)}`).join('') || '<p>There is nothing on this page yet.</p>'}
     ${person.role === 'Learner' ? '' : `<p><a href="${PATH}/write?as=${escape(person.id)}">Write this page</a> · <a href="${PATH}/members-list">Members</a> · <a href="${PATH}/connect">The tool</a></p>`}
     ${STORAGE}`;

  const membersPage = () => `<form method="post"><label>Members: number, name, address, role, one a line
     <textarea name="people" rows="10">${escape(state.people)}</textarea></label>
     <label>Title of the course <input type="text" name="title" value="${escape(state.title)}"></label><button>Save</button></form>
     <p>Roles: Instructor, TeachingAssistant, Learner.</p>`;

  const connectPage = (issuer: string) => `<h2>What the tool has to be told</h2>
     <table><tr><th>Issuer</th><td>${escape(issuer)}</td></tr><tr><th>Client ID</th><td>${escape(state.tool.clientId)}</td></tr>
     <tr><th>Deployment ID</th><td>${escape(state.tool.deployment)}</td></tr><tr><th>Key set</th><td>${escape(issuer)}/keys</td></tr>
     <tr><th>Authentication request</th><td>${escape(issuer)}/authorize</td></tr><tr><th>Access token</th><td>${escape(issuer)}/token</td></tr></table>
     <h2>Have the tool register itself</h2>
     <form method="post"><label>Its registration address <input type="url" name="address"></label><button>Register</button></form>`;

  return async (request, response, url) => {
    if (!url.pathname.startsWith(`${PATH}/`)) return false;
    const issuer = `http://${request.headers.host}${PATH}`;
    const json = (body: unknown, status = 200) => send(response, JSON.stringify(body), 'application/json', status);
    const body = request.method === 'POST' ? await textOf(request) : '';
    const form = new URLSearchParams(body);
    const asked = (name: string) => form.get(name) ?? url.searchParams.get(name) ?? '';
    const person = personOf(url.searchParams.get('as')) ?? peopleOf(state)[0]!;
    switch (url.pathname.slice(PATH.length)) {
      case '/course':
        return send(response, page(state.title, WHAT, coursePage(issuer, person)));
      case '/write': {
        const place = loginUrl(issuer, person, { hint: 'place', target: state.tool.launch });
        const frame = `<iframe src="${escape(place)}" title="Pembit" width="100%" height="760" style="border:1px solid #ccc"></iframe>`;
        return send(response, page('Write the page', WHAT, `<p>Pick what the tool puts into the page.</p>${frame}${STORAGE}`));
      }
      case '/members-list':
        if (request.method !== 'POST') return send(response, page('Members', WHAT, membersPage()));
        [state.people, state.title] = [asked('people'), asked('title')];
        return redirect(response, `${PATH}/course`);
      case '/connect': {
        if (request.method !== 'POST') return send(response, page('The tool', WHAT, connectPage(issuer)));
        const token = newToken();
        state.registrations.add(token);
        return redirect(response, `${asked('address')}?${new URLSearchParams({ openid_configuration: `${issuer}/.well-known/openid-configuration`, registration_token: token }).toString()}`);
      }
      case '/.well-known/openid-configuration':
        return json({
          issuer,
          authorization_endpoint: `${issuer}/authorize`,
          token_endpoint: `${issuer}/token`,
          jwks_uri: `${issuer}/keys`,
          registration_endpoint: `${issuer}/register`,
          'https://purl.imsglobal.org/spec/lti-platform-configuration': { product_family_code: 'stand-in', version: '1' },
        });
      case '/register': {
        const given = (request.headers.authorization ?? '').replace(/^Bearer /, '');
        if (!state.registrations.delete(given)) return json({ error: 'invalid_token' }, 401);
        const said = JSON.parse(body) as { initiate_login_uri: string; redirect_uris: string[]; jwks_uri: string };
        const clientId = `client-${newToken().slice(0, 8)}`;
        state.tool = { clientId, deployment: '1', login: said.initiate_login_uri, launch: said.redirect_uris[0]!, keys: said.jwks_uri };
        return json({ ...said, client_id: clientId, 'https://purl.imsglobal.org/spec/lti-tool-configuration': { deployment_id: '1' } });
      }
      case '/keys':
        return json(await keys.keySet());
      case '/authorize': {
        const who = personOf(asked('login_hint'));
        if (!who || asked('client_id') !== state.tool.clientId || asked('redirect_uri') !== state.tool.launch)
          return send(response, page('Not signed in', WHAT, '<p>This is not for the tool that is registered.</p>'), undefined, 400);
        const said = { issuer, state, person: who, nonce: asked('nonce') };
        const item = state.items.find(({ id }) => id === asked('lti_message_hint'));
        const token = await keys.sign(item ? openingClaims(said, item) : placingClaims(said));
        return send(
          response,
          `<!doctype html><title>One moment (stand-in)</title><form method="post" action="${escape(state.tool.launch)}"><input type="hidden" name="id_token" value="${escape(token)}"><input type="hidden" name="state" value="${escape(asked('state'))}"><button>Go on</button></form><script>document.forms[0].submit()</script>`,
        );
      }
      case '/placed': {
        state.items.push(...placedItems(await fromTool(asked('JWT'), { issuer, state, now })));
        return send(response, page('Placed', WHAT, `<p>The page has it now.</p><p><a href="${PATH}/course?as=m1" target="_top">The page</a></p>`));
      }
      case '/token': {
        await fromTool(asked('client_assertion'), { issuer, state, now });
        const token = newToken();
        state.tokens.add(token);
        return json({ access_token: token, token_type: 'Bearer', expires_in: 3600, scope: asked('scope') });
      }
      case '/members': {
        if (!state.tokens.has((request.headers.authorization ?? '').replace(/^Bearer /, ''))) return json({}, 401);
        const all = peopleOf(state).map(({ id, name, email, role }) => ({ user_id: id, name, email, roles: [roleUri(role)], status: 'Active' }));
        // Two a page, so that a reader has to turn them.
        const from = Number(url.searchParams.get('from') ?? 0);
        if (from + 2 < all.length) response.setHeader('link', `<${issuer}/members?from=${from + 2}>; rel="next"`);
        return send(response, JSON.stringify({ id: `${issuer}/members`, context: { id: COURSE, title: state.title }, members: all.slice(from, from + 2) }), 'application/vnd.ims.lti-nrps.v2.membershipcontainer+json');
      }
      default:
        return false;
    }
  };
} // prettier-ignore
