import { readFileSync } from 'node:fs';
import path from 'node:path';

type Paths = Readonly<Record<string, Readonly<Record<string, unknown>>>>;
type Route = Readonly<{ pattern: RegExp; methods: readonly string[] }>;

let table: readonly Route[] | undefined;

/** The routes of the API with what they answer to, from its own description, which a test holds to the routes. */
function routes(): readonly Route[] {
  if (table) return table;
  const file = path.join(process.cwd(), 'src/api/openapi.json/description.json');
  const { paths } = JSON.parse(readFileSync(file, 'utf8')) as { paths: Paths };
  table = Object.entries(paths).map(([template, operations]) => {
    const methods = Object.keys(operations)
      .map((name) => name.toUpperCase())
      .filter((name) => ['GET', 'POST', 'PUT', 'DELETE', 'PATCH'].includes(name));
    const pattern = template.replace(/[.]/g, '\\$&').replace(/\{[^}]+\}/g, '[^/]+');
    return { pattern: new RegExp(`^${pattern}/?$`), methods: methods.includes('GET') ? [...methods, 'HEAD'] : methods }; // prettier-ignore
  });
  return table;
}

/** The methods that a path of the API answers to; empty where there is no such path. */
export const methodsOf = (pathname: string): readonly string[] =>
  routes().filter(({ pattern }) => pattern.test(pathname)).flatMap(({ methods }) => methods); // prettier-ignore

/** Pages and files are read. */
const PAGE_METHODS: readonly string[] = ['GET', 'HEAD'];

/** Whether a request is for something that is there, and in a way it answers to; else what to answer. */
export function judgeRequest(
  pathname: string,
  method: string,
): Readonly<{ status: 404 }> | Readonly<{ status: 405; allow: string }> | undefined {
  const isApi = pathname === '/api' || pathname.startsWith('/api/');
  const allowed = isApi ? methodsOf(pathname) : PAGE_METHODS;
  if (isApi && allowed.length === 0) return { status: 404 };
  return allowed.includes(method) ? undefined : { status: 405, allow: [...new Set(allowed)].join(', ') };
}
