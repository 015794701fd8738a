import type { Outlet } from '@/core/outlets/outlet';
import { embedPolicy } from './embed/embedDocument';

export const CORS = {
  'access-control-allow-origin': '*',
  'access-control-allow-methods': 'GET, HEAD, OPTIONS',
};
const SAFE = { 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' };
const FEED_POLICY = { 'content-security-policy': "default-src 'none'; frame-ancestors 'none'" };

export const embedHeaders = (origins: readonly string[] = []) => ({
  ...SAFE,
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy': embedPolicy(origins),
  'cache-control': 'no-cache',
});

export const policyFor = (path: string): Record<string, string> =>
  path.startsWith('/embed/') ? { 'content-security-policy': embedPolicy() } : FEED_POLICY;

const readableName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w -]/g, '')
    .trim()
    .replace(/ +/g, '-')
    .slice(0, 60) || 'calendar';

const ENDINGS = { events: 'ics', work: 'ics', freeBusy: 'ifb', news: 'atom' } as const;

export const feedHeaders = (
  { name, audience }: Pick<Outlet, 'name' | 'audience'>,
  form: keyof typeof ENDINGS = 'events',
): Record<string, string> => ({
  ...SAFE,
  ...FEED_POLICY,
  ...CORS,
  'content-type': form === 'news' ? 'application/atom+xml; charset=utf-8' : 'text/calendar; charset=utf-8',
  'content-disposition': `inline; filename="${readableName(name)}.${ENDINGS[form]}"`,
  'cache-control':
    audience === 'personal'
      ? 'private, no-cache'
      : 'public, max-age=60, s-maxage=60, stale-while-revalidate=60, stale-if-error=3600',
});

export const plainHeaders = {
  ...SAFE,
  ...FEED_POLICY,
  ...CORS,
  'content-type': 'text/plain; charset=utf-8',
  'cache-control': 'no-cache',
};

export const jsonHeaders = { ...plainHeaders, 'content-type': 'application/json; charset=utf-8' };
