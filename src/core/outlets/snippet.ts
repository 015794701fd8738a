import { escapeHtml } from '../richText/escapeHtml';

/** The piece of page that an editor of a course site takes, scripts stripped or not. */
export const embedSnippet = ({
  title,
  url,
  height,
}: Readonly<{ title: string; url: string; height: number }>): string =>
  `<iframe src="${escapeHtml(url)}" title="${escapeHtml(title)}" width="100%" height="${height}" loading="lazy" style="border:1px solid #ccc"></iframe>`;
