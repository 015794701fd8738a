const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** A text as it stands between tags of HTML, or in an attribute within double quotes. */
export const escapeHtml = (text: string): string => text.replace(/[&<>"]/g, (sign) => SIGNS[sign]!);
