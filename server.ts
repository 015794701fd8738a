// First of all: a stand-in's library would install an older, much slower Temporal, and every later import would use it.
import 'temporal-polyfill/global';
import { createServer } from 'node:http';
import type { IncomingMessage, ServerResponse } from 'node:http';
import next from 'next';
import { answerDirectly } from './src/app/api/directRoutes';
import { readConfig } from './src/server/config';
import { loadDemo } from './src/server/demo/loadDemo';
import { createOutletAnswerer, isOutletPath } from './src/server/outlets/answerOutlet';
import { writeReads } from './src/server/outlets/countReads';
import { jobsOf } from './src/server/jobs/jobs';
import { startJobs } from './src/server/jobs/scheduler';
import { CLIENT_ADDRESS, noteAddress } from './src/server/clientAddress';
import { loadPages } from './src/server/loadPages';
import { REQUEST_ID, logRequest } from './src/server/log';
import { openPembit, sharePembit } from './src/server/pembit';
import { startStandins } from './src/standins/startStandins';

/** In seconds; browsers then come by https alone. */
const TWO_YEARS = 63_072_000;

/** Whether a request target is a path whose escapes can be decoded: Next answers 500 to others. */
function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return path.startsWith('/');
  } catch {
    return false;
  }
}

// Nobody may be reading the log any more: writing to a closed pipe is an error, and saying so would be the next one.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

/**
 * The process: node:http in front, which answers /feeds/, /embed/ and what a whole class asks for at once itself, and
 * hands everything else to Next.
 * `PEMBIT_DEV=1` runs Next in development mode.
 */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const pembit = await openPembit(config);
  sharePembit(pembit);
  if (pembit.migrations.applied.length > 0)
    console.log(`Data folder brought up to date: ${pembit.migrations.applied.join(', ')}`);
  if (config.demo) await loadDemo(pembit);

  const dev = process.env.PEMBIT_DEV === '1';
  const app = next({ dev, hostname: 'localhost', port: config.port });
  const handle = app.getRequestHandler();
  await app.prepare();
  const answerOutlet = createOutletAnswerer(pembit);

  const { log } = pembit;
  const secure = config.baseUrl.startsWith('https:');

  const server = createServer((request, response) => {
    noteAddress(request, config.behindProxy);
    logRequest(log, request, response);
    if (secure) response.setHeader('strict-transport-security', `max-age=${TWO_YEARS}`);
    // Not parsed as a URL: a request target such as `//` is none, and must not take the process down.
    const [pathname = '/', query = ''] = (request.url ?? '/').split(/\?(.*)/s);
    if (!isReadable(pathname)) {
      response.writeHead(400, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('This address cannot be read.');
      return;
    }
    const work = isOutletPath(pathname)
      ? sendOutlet(request, response, pathname, query)
      : (answerDirectly(request, response, { path: pathname, baseUrl: config.baseUrl }) ??
        handle(request, response));
    work.catch((error: unknown) => {
      log.error({ err: error, request: response.getHeader(REQUEST_ID) }, 'A request failed');
      if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('Something went wrong on the server. Try again in a moment.');
    });
  });

  async function sendOutlet(
    request: IncomingMessage,
    response: ServerResponse,
    path: string,
    query: string,
  ): Promise<void> {
    const headers = Object.fromEntries(
      Object.entries(request.headers).map(([name, value]) => [name, String(value)]),
    );
    const answer = await answerOutlet({
      method: request.method ?? 'GET',
      path,
      query,
      headers,
      from: headers[CLIENT_ADDRESS] ?? '',
    });
    response.writeHead(answer.status, answer.headers);
    response.end(answer.body);
  }

  const standins = config.standins
    ? await startStandins({
        port: config.standinsPort,
        pembitUrl: config.baseUrl,
        now: () => pembit.now().epochMilliseconds,
      })
    : undefined;
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, () => resolve());
  });
  console.log(`Pembit is ready on ${config.baseUrl}`);
  if (standins) console.log(`The stand-ins are on ${standins.url}`);

  const stopJobs = startJobs(pembit, jobsOf(pembit));
  if (!dev)
    loadPages('.next').then(
      (pages) => log.debug({ pages }, 'All pages are loaded'),
      (error: unknown) => log.error({ err: error }, 'A page could not be loaded'),
    );

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    standins?.close();
    server.close(() => {
      void stopJobs()
        .then(() => writeReads(pembit))
        .then(() => pembit.close())
        .then(() => process.exit(0));
    });
    server.closeIdleConnections();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
