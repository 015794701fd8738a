import type { NextConfig } from 'next';
import { API_HEADERS } from './src/app/api/apiHeaders';

/** Paths that `src/proxy.ts` does not see carry no policy of their own, so they get the strictest here. */
const staticHeaders = Object.entries(API_HEADERS).map(([key, value]) => ({ key, value }));

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'piscina', '@node-rs/argon2', 'prom-client'],
  poweredByHeader: false,
  agentRules: false,
  // `npm test` checks types, tests included; a build need not do it a second time.
  typescript: { ignoreBuildErrors: true },
  // Next would load all pages before it answers anything; `loadPages` does it afterwards, one by one.
  experimental: { preloadEntriesOnStart: false },
  headers: () =>
    Promise.resolve([
      { source: '/_next/static/:path*', headers: staticHeaders },
      { source: '/api/:path*', headers: staticHeaders },
    ]),
};

export default config;
