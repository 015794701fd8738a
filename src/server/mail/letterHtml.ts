const ESCAPED: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => ESCAPED[sign]!);

/** What ends a sentence or a bracket after an address is not of it. */
const linked = (text: string): string =>
  text.replace(/https?:\/\/[^\s<]*[^\s<.,;:!?)]/g, (url) => `<a href="${url}">${url}</a>`);

/**
 * A letter as HTML beside its text: the same words, with its addresses as links, a language, a title and a heading for whoever hears it.
 * Everything in it is shown by what reads mail: no picture, nothing that is fetched.
 */
export function letterHtml({ subject, text }: Readonly<{ subject: string; text: string }>): string {
  const paragraphs = text
    .trim()
    .split(/\n{2,}/)
    .map((part) => `<p>${linked(escaped(part)).replaceAll('\n', '<br>\n')}</p>`);
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(subject)}</title></head>
<body style="max-width: 40em; font: 16px/1.5 sans-serif; overflow-wrap: anywhere">
<main>
<h1 style="font-size: 18px">${escaped(subject)}</h1>
${paragraphs.join('\n')}
</main>
</body>
</html>
`;
}
