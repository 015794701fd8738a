import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

const API = 'src/api';

/** Every address of the build: pages and files by Next's own manifest, the API by its folders. */
export function routesOfBuild(): string[] {
  const manifest = readFileSync('.next/server/app-paths-manifest.json', 'utf8');
  const pages = Object.keys(JSON.parse(manifest) as Record<string, string>)
    .map((key) => key.replace(/\/(page|route)$/, '') || '/')
    .filter((route) => !route.startsWith('/_') && !route.startsWith('/api/') && route !== '/icon.svg');
  const api = readdirSync(API, { recursive: true, withFileTypes: true })
    .filter(({ name }) => name === 'route.ts')
    .map(({ parentPath }) => `/api/${path.relative(API, parentPath)}`);
  return [...pages, ...api].sort();
}
