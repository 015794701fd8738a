import { NextResponse } from 'next/server';
import type { NextRequest } from 'next/server';
import { FRAMES } from '@/core/lti/frames';
import { TERM_HEADER } from '@/core/frame/chosenTerm';

/** The page on which a message is spoken: it alone has the microphone, and plays what it has recorded. */
const RECORDS = /^\/e\/[^/]+\/record$/;

/** A sentence that does nothing, for a frame whose session has ended. */
const OVER = '/lti/over';

/** Every page gets a policy with a nonce of its own. Paths outside the matcher have theirs from next.config.ts. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  // The process writes it, and no client: whose pages may show this one.
  const frames = request.headers.get(FRAMES);
  const places = frames && request.nextUrl.pathname.startsWith('/lti/place/') ? ` ${frames}` : '';
  const records = RECORDS.test(request.nextUrl.pathname);
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'", // MUI writes style attributes
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    `media-src 'self'${records ? ' blob:' : ''}`,
    "frame-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    // What is placed goes back to the site that asked for it.
    `form-action 'self'${places}`,
    `frame-ancestors ${request.nextUrl.pathname === OVER ? '*' : frames ? `'self' ${frames}` : "'none'"}`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  headers.set(TERM_HEADER, request.nextUrl.searchParams.get('term') ?? '');
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  // Addresses of people's pages, sheets and invitations are for whoever has them.
  response.headers.set('x-robots-tag', 'noindex');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set(
    'permissions-policy',
    `camera=(), geolocation=(), microphone=(${records ? 'self' : ''})`,
  );
  return response;
}

export const config = {
  matcher: ['/((?!api/|f/|offline|sw\\.js|manifest\\.webmanifest|robots\\.txt|_next/static/|_next/image).*)'],
};
