import { createHash } from 'node:crypto';
import type { LaunchFault } from '@/core/lti/message';
import { ltiTexts } from '@/core/texts/lti';
import { EMBED_STYLE_SOURCE, embedDocument } from '../outlets/embed/embedDocument';
import type { Html } from '../outlets/embed/html';
import { html } from '../outlets/embed/html';
import type { Begun } from './beginLaunch';

/*
 * What a browser sees on the way of a launch, when there is something to see. Messages between frames by LTI Client Side
 * postMessages 1.0 and OIDC Login with LTI Client Side postMessages 1.0 (1EdTech; from memory, UNVERIFIED).
 */

/** Finds the frame of the site that keeps things, sends it a message, and takes its answer or gives up. */
const ASK = `const ask = (data, message, then, otherwise) => {
  const late = setTimeout(otherwise, 2000);
  addEventListener('message', (event) => {
    if (event.origin !== data.origin || !event.data || event.data.message_id !== data.key) return;
    clearTimeout(late);
    then(event.data.value);
  });
  try {
    const frame = data.target === '_parent' ? parent : parent.frames[data.target];
    frame.postMessage({ ...message, message_id: data.key, key: data.key }, data.origin);
  } catch {
    clearTimeout(late);
    otherwise();
  }
};`;

const PUT = `(() => {
  ${ASK}
  const { dataset } = document.getElementById('go');
  const go = () => location.replace(dataset.url);
  ask(dataset, { subject: 'lti.put_data', value: dataset.value }, go, go);
})();`;

const GET = `(() => {
  ${ASK}
  const form = document.getElementById('go');
  const give = () => { document.getElementById('instead').hidden = false; document.getElementById('wait').hidden = true; };
  ask(form.dataset, { subject: 'lti.get_data' }, (value) => {
    if (typeof value !== 'string' || value === '') return give();
    form.elements.stored.value = value;
    form.submit();
  }, give);
})();`;

const CLOSE = `(() => {
  const close = () => (opener ?? parent).postMessage({ subject: 'org.imsglobal.lti.close' }, '*');
  document.getElementById('close').addEventListener('click', close);
})();`;

const hashOf = (script: string) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`;

export type Page = Readonly<{ status: number; headers: Readonly<Record<string, string>>; body: string }>;

/** `frames`: whose pages may show it; none given: anybody's, where nothing on it does anything. */
function page(title: string, body: Html, { status = 200, script, frames }: Readonly<{ status?: number; script?: string; frames?: readonly string[] }> = {}): Page {
  const policy = [
    "default-src 'none'",
    `style-src ${EMBED_STYLE_SOURCE}`,
    ...(script ? [`script-src ${hashOf(script)}`] : []),
    "base-uri 'none'",
    "form-action 'self'",
    `frame-ancestors ${frames ? ["'self'", ...frames].join(' ') : '*'}`,
  ].join('; ');
  const whole = script ? html`${body}<script>${{ html: script }}</script>` : body;
  return {
    status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': policy,
      'cache-control': 'no-store',
      // The page itself is told where its form came from.
      'referrer-policy': 'same-origin',
      'x-content-type-options': 'nosniff',
    },
    body: embedDocument({ title }, html`<h1>${title}</h1>${whole}`),
  };
} // prettier-ignore

const STATUS: Partial<Record<LaunchFault, number>> = {
  noForm: 400,
  noState: 400,
  missingClaims: 400,
  noKeys: 502,
};

/** Why a launch is refused: a sentence, in whatever frame it stands. */
export const refusalPage = (fault: LaunchFault): Page =>
  page(ltiTexts.refusedTitle, html`<p>${ltiTexts.faults[fault]}</p>`, { status: STATUS[fault] ?? 403 });

/** Keeps what the browser has to show later with the site's own frame, and goes on to the site's sign-in. */
export const keepPage = ({ url, key, browser, storage }: Begun, frames: readonly string[]): Page =>
  page(
    ltiTexts.checking,
    html`<p id="go" data-url="${url}" data-key="${key}" data-value="${browser}" data-target="${storage!.target}" data-origin="${storage!.origin}"><a href="${url}">${ltiTexts.join.goOn}</a></p>`,
    { script: PUT, frames },
  ); // prettier-ignore

const tabLink = (again: string | undefined): Html =>
  again === undefined
    ? html`<p>${ltiTexts.noTab}</p>`
    : html`<p><a href="/lti/login?${again}" target="_blank" rel="noopener">${ltiTexts.openTab}</a></p>`;

/** For a browser that keeps nothing for us here: the same in a tab of its own, by one click. */
export const tabPage = (again: string | undefined, frames: readonly string[]): Page =>
  page(ltiTexts.noCookieTitle, html`<p>${ltiTexts.noCookie}</p>${tabLink(again)}`, { status: 403, frames });

type Asking = Readonly<{ key: string; storage: NonNullable<Begun['storage']>; state: string; idToken: string; again: string | undefined }>; // prettier-ignore

/** Asks the site's own frame for what the browser kept; without an answer it offers a tab. */
export const askPage = (
  { key, storage, state, idToken, again }: Asking,
  frames: readonly string[],
): Page =>
  page(
    ltiTexts.noCookieTitle,
    html`<p id="wait">${ltiTexts.checking}</p>
      <div id="instead" hidden><p>${ltiTexts.noCookie}</p>${tabLink(again)}</div>
      <form id="go" method="post" action="/lti/launch" data-key="${key}" data-target="${storage.target}" data-origin="${storage.origin}">
        <input type="hidden" name="state" value="${state}"><input type="hidden" name="id_token" value="${idToken}"><input type="hidden" name="stored">
      </form>`,
    { script: GET, frames },
  ); // prettier-ignore

/** What became of a registration, with a button that closes the site's window. */
export const registeredPage = (outcome: 'done' | 'over' | 'badSite' | 'refused'): Page => {
  const say = ltiTexts.registered;
  const words = outcome === 'done' ? say.lead : say[outcome];
  const body = html`<p>${words}</p>
    <p><button id="close" type="button">${say.close}</button></p>`;
  return page(outcome === 'done' ? say.title : say.refusedTitle, body, { status: outcome === 'done' ? 200 : 403, script: CLOSE }); // prettier-ignore
};
