import type { NextConfig } from 'next';

/** Paths that `src/proxy.ts` does not see carry no policy of their own, so they get the strictest here. */
const staticHeaders = [
  { key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" },
  { key: 'X-Content-Type-Options', value: 'nosniff' },
];

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug'],
  poweredByHeader: false,
  agentRules: false,
  // `npm test` checks types, tests included; a build need not do it a second time.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
      { source: '/_next/static/:path*', headers: staticHeaders },
      { source: '/api/:path*', headers: staticHeaders },
    ]),
};

export default config;
