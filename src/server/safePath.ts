/** Stands for this server: which host it is called by does not matter to a path. */
const HERE = 'http://here.invalid';

/**
 * Only a path of our own may follow a sign-in: what a browser would make of it, resolved against this server. Control
 * characters, which browsers leave out, are in none.
 */
export function safePath(to: string | undefined): string {
  if (!to || /[\u0000-\u001f\u007f\\]/.test(to) || !to.startsWith('/') || !URL.canParse(to, HERE)) return '/';
  const url = new URL(to, HERE);
  return url.origin === HERE && !url.pathname.startsWith('//')
    ? `${url.pathname}${url.search}${url.hash}`
    : '/';
}

/** Whether a target has characters that no address has: such a request is refused, not mended. */
export const hasControls = (text: string): boolean => /[\u0000-\u001f\u007f]/.test(text);
