import type { NextConfig } from 'next';
import { API_HEADERS } from './src/api/apiHeaders';

/** Paths that `src/proxy.ts` does not see carry no policy of their own, so they get the strictest here. */
const staticHeaders = Object.entries(API_HEADERS).map(([key, value]) => ({ key, value }));

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'piscina', '@node-rs/argon2', 'prom-client'],
  poweredByHeader: false,
  agentRules: false,
  // `npm test` checks types, tests included; a build need not do it a second time.
  typescript: { ignoreBuildErrors: true },
  // `loadPages` loads pages after the start, one by one; Next would before it answers anything.
  // Nobody downloads what the server runs, maps of it are never read, and a cache takes longer to write than it saves.
  experimental: {
    preloadEntriesOnStart: false,
    serverMinification: false,
    turbopackSourceMaps: false,
    turbopackFileSystemCacheForBuild: false,
  },
  headers: () =>
    Promise.resolve([
      { source: '/_next/static/:path*', headers: staticHeaders },
      { source: '/api/:path*', headers: staticHeaders },
    ]),
};

export default config;
