import { createHash } from 'node:crypto';
import type { EmbedLook } from '@/core/outlets/outlet';
import { DEFAULT_LOOK } from '@/core/outlets/outlet';
import { embedTexts } from '@/core/texts/embeds';
import { embedStyle } from './embedStyle';
import type { Html } from './html';
import { html } from './html';

/** The style of such a page, as a policy names it. */
export const EMBED_STYLE_SOURCE = `'sha256-${createHash('sha256').update(embedStyle).digest('base64')}'`;

/** No script that runs, styles by their hash, framed by anyone or by the sites that the instructor lists: what answers under /embed/ carries. */
export const embedPolicy = (origins: readonly string[] = []): string =>
  [
    "default-src 'none'",
    `style-src ${EMBED_STYLE_SOURCE}`,
    "base-uri 'none'",
    "form-action 'self'",
    `frame-ancestors ${origins.length === 0 ? '*' : ["'self'", ...origins].join(' ')}`,
  ].join('; ');

type Head = Readonly<{
  title: string;
  look?: EmbedLook;
  locale?: string;
  oembed?: string;
  /** What a public page holds, for machines (JSON-LD). */
  data?: unknown;
}>;

/** A block of data, which no browser runs; a tag within it cannot end it. */
const dataBlock = (data: unknown): Html => ({
  html: `<script type="application/ld+json">${JSON.stringify(data).replaceAll('<', '\\u003c')}</script>`,
});

/** A whole page: its look is a matter of classes, so that its style is the same bytes for all. */
export function embedDocument(
  { title, look = DEFAULT_LOOK, locale, oembed, data }: Head,
  body: Html,
): string {
  const discovery = oembed
    ? html`<link rel="alternate" type="application/json+oembed" href="${oembed}" title="${title}">`
    : undefined;
  return html`<!doctype html>
<html lang="${(locale ?? 'en').split('-')[0]}" class="scheme-${look.scheme} accent-${look.color} rows-${look.rows}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="${look.scheme === 'reader' ? 'light dark' : look.scheme}">
<meta name="robots" content="noindex">
<title>${title}</title>
${discovery}
${data === undefined ? undefined : html`<meta property="og:type" content="website"><meta property="og:title" content="${title}">`}
${data === undefined ? undefined : dataBlock(data)}
<style>${{ html: embedStyle }}</style>
</head>
<body><main aria-label="${title}">
${body}
</main></body>
</html>
`.html;
}

/** A sentence in the place of a calendar: never an empty box. */
export const sentencePage = (title: string, sentence: string): string =>
  embedDocument(
    { title },
    html`<h1>${title}</h1>
      <p>${sentence}</p>`,
  );

export const unknownPage = (): string => sentencePage(embedTexts.unknownTitle, embedTexts.unknown);
