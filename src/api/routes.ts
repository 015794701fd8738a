type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
type Handlers = Readonly<Record<string, Handler | undefined>>;
/** A module whose packages are loaded by promise is one itself, where Turbopack bundles it. */
type Module = Handlers | Promise<Handlers>;
type Route = Readonly<{ address: RegExp; module: Module }>;

/** `./entries/[id]/route.ts` answers `/api/entries/ID`: a folder is an address, a name in brackets whatever stands there. */
const FOUND: Readonly<Record<string, Module>> = import.meta.glob<Module>('./**/route.ts', {
  eager: true,
});

const addressOf = (file: string) =>
  file
    .replace(/^\.\//, '')
    .replace(/\/route\.ts$/, '')
    .replaceAll('.', '\\.')
    .replace(/\[(\w+)\]/g, '(?<$1>[^/]+)');

/** What is written out goes before what stands for anything. */
const ROUTES: readonly Route[] = Object.entries(FOUND)
  .map(([file, module]) => ({ address: addressOf(file), module }))
  .sort((a, b) => (a.address.replaceAll('(', '~') < b.address.replaceAll('(', '~') ? -1 : 1))
  .map(({ address, module }) => ({ address: new RegExp(`^/api/${address}/?$`), module }));

const decoded = (groups: Readonly<Record<string, string>>) =>
  Object.fromEntries(Object.entries(groups).map(([name, text]) => [name, decodeURIComponent(text)]));

/** Answers a request to the API by the handler of its address; undefined where there is none. */
export async function answerApi(request: Request): Promise<Response | undefined> {
  const { pathname } = new URL(request.url);
  const method = request.method === 'HEAD' ? 'GET' : request.method;
  for (const { address, module } of ROUTES) {
    const found = address.exec(pathname);
    const handler = found && (await module)[method];
    if (handler) return handler(request, { params: Promise.resolve(decoded(found.groups ?? {})) });
  }
  return undefined;
}
