import type { PlaceType } from './message';

const DEEP_LINKING = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
const LTI = 'https://purl.imsglobal.org/spec/lti/claim/';

/** Something of Pembit's that is to stand on a page of a site. `html` is for what needs no sign-in: an embed. */
export type Placed = Readonly<{
  type: PlaceType;
  title: string;
  url: string;
  text?: string;
  /** For a frame in the page, in CSS pixels; absent: a link. */
  frame?: Readonly<{ width: number; height: number }>;
}>;

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[one]!);

function itemOf({ type, title, url, text, frame }: Placed): Readonly<Record<string, unknown>> {
  if (type === 'html') {
    const { width, height } = frame ?? { width: 800, height: 600 };
    const html = `<iframe src="${escape(url)}" title="${escape(title)}" width="${width}" height="${height}"></iframe>`;
    return { type, title, html };
  }
  return { type, title, url, ...(text ? { text } : {}), ...(frame ? { iframe: frame } : {}) };
}

type Answer = Readonly<{
  clientId: string;
  issuer: string;
  deployment: string;
  nonce: string;
  data?: string;
  placed: readonly Placed[];
}>;

/** The claims of the answer to a page that is being written (Deep Linking 2.0, 4; from memory, UNVERIFIED), times apart. */
export const placingClaims = ({ clientId, issuer, deployment, nonce, data, placed }: Answer) => ({
  iss: clientId,
  aud: issuer,
  nonce,
  [`${LTI}deployment_id`]: deployment,
  [`${LTI}message_type`]: 'LtiDeepLinkingResponse',
  [`${LTI}version`]: '1.3.0',
  [`${DEEP_LINKING}content_items`]: placed.map(itemOf),
  ...(data === undefined ? {} : { [`${DEEP_LINKING}data`]: data }),
});
