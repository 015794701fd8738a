/** Imports point one way: core <- data <- server <- app, and core <- ui <- app. */
const layer = (name, from, allowed, packages = []) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: {
    pathNot: [...allowed, ...packages.map((p) => `node_modules/${p}`)],
  },
});

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    layer(
      'core-is-pure',
      '^src/core/',
      ['^src/core/'],
      [
        'temporal-polyfill',
        'moment-timezone',
        'zod',
        'papaparse|fast-xml-parser|write-excel-file',
        '@types/papaparse|fast-xml-parser',
        'rrule-temporal|culori|windows-iana',
        '@messageformat/runtime',
        'sanitize-html|htmlparser2',
        '@types/sanitize-html',
      ],
    ),
    {
      name: 'data-needs-core-only',
      severity: 'error',
      from: { path: '^src/data/' },
      to: { path: '^src/(server|api|app|ui|standins)/' },
    },
    {
      name: 'server-knows-no-screen',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(api|app|ui|standins)/' },
    },
    {
      name: 'ui-needs-core-only',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(data|server|api|app|standins)/' },
    },
    {
      name: 'ui-uses-the-zones-it-is-sent',
      severity: 'error',
      from: { path: '^src/ui/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/time/zoneData' },
    },
    {
      name: 'app-goes-through-server',
      severity: 'error',
      from: { path: '^src/(api|app)/' },
      to: { path: '^src/(data|standins)/' },
    },
    {
      name: 'api-knows-no-page',
      severity: 'error',
      from: { path: '^src/api/' },
      to: { path: '^src/app/' },
    },
    {
      name: 'stand-ins-stand-alone',
      severity: 'error',
      from: { path: '^src/standins/' },
      to: { path: '^src/(core|data|server|api|app|ui)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^\\.next' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json', '.css'] },
  },
};
