// First of all: a stand-in's library, loaded in a demo alone, would install an older, much slower Temporal, and every later import would use it.
import 'temporal-polyfill/global';
import { createServer } from 'node:http';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeReadableStream } from 'node:stream/web';
import next from 'next';
import { answerPreflight, isPreflight } from './src/api/crossOrigin';
import { answerDirectly } from './src/api/directRoutes';
import { problemBody } from './src/api/problem';
import { judgeRequest } from './src/api/routeTable';
import { hasControls } from './src/server/safePath';
import { readConfig } from './src/server/config';
import { loadDemo } from './src/server/demo/loadDemo';
import { printSetupCode } from './src/server/frame/setupCode';
import { answerMetrics } from './src/server/metrics/answerMetrics';
import { createOutletAnswerer, isOutletPath } from './src/server/outlets/answerOutlet';
import { writeReads } from './src/server/outlets/countReads';
import { jobsOf } from './src/server/jobs/jobs';
import { startJobs } from './src/server/jobs/scheduler';
import { answerLti, framingOrigins, isLtiPath } from './src/server/lti/answerLti';
import { readForm } from './src/server/lti/readForm';
import { FRAMES } from './src/core/lti/frames';
import { CLIENT_ADDRESS, noteAddress } from './src/server/clientAddress';
import { loadPages } from './src/server/loadPages';
import { REQUEST_ID, createLog, logConsole, logRequest } from './src/server/log';
import { openPembit } from './src/server/openPembit';
import { sharePembit } from './src/server/pembit';

/** In seconds; browsers then come by https alone. */
const TWO_YEARS = 63_072_000;
/**
 * How long a connection that nobody uses stays open: longer than nginx keeps its own, so that it is never closed here while a
 * request is on its way over it.
 */
const KEEP_ALIVE_MS = 75_000;
/** After so long a stop no longer waits for what is under way, whatever that is. */
const STOP_WITHIN_MS = 8000;

type Refusal = Readonly<{ status: number; text: string; headers?: Readonly<Record<string, string>> }>;

/** Whether a request target is a path whose escapes can be decoded, without control characters: Next answers 500 to others. */
function isReadable(path: string): boolean {
  try {
    return path.startsWith('/') && !hasControls(decodeURIComponent(path));
  } catch {
    return false;
  }
}

/** Where somebody would go after signing in: a target with control characters is nobody's wish. */
function leadsAstray(query: string): boolean {
  return new URLSearchParams(query).getAll('to').some(hasControls);
}

/** What is refused before anything looks at it more closely. */
function refusalOf(method: string, pathname: string, query: string): Refusal | undefined {
  if (!isReadable(pathname) || leadsAstray(query))
    return { status: 400, text: 'This address cannot be read.' };
  if (isOutletPath(pathname) || isLtiPath(pathname) || pathname === '/metrics') return undefined;
  const judged = judgeRequest(pathname, method);
  if (!judged) return undefined;
  const isApi = pathname.startsWith('/api');
  const { text, type } = isApi
    ? problemBody(judged.status === 404 ? 'notFound' : 'wrongMethod')
    : { text: 'This address does not answer to that.', type: 'text/plain; charset=utf-8' };
  return {
    status: judged.status,
    text,
    headers: { 'content-type': type, ...(judged.status === 405 ? { allow: judged.allow } : {}) },
  };
}

function sendRefusal(response: ServerResponse, { status, text, headers }: Refusal): void {
  // What came along with a request that nobody reads is not read either.
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', connection: 'close', 'x-content-type-options': 'nosniff', ...headers }); // prettier-ignore
  response.end(text);
}

// Nobody may be reading the log any more: writing to a closed pipe is an error, and saying so would be the next one.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

/**
 * The process: node:http in front, which answers /feeds/, /embed/ and what a whole class asks for at once itself, and
 * hands everything else to Next.
 * `PEMBIT_DEV=1` runs Next in development mode.
 */
async function main(): Promise<void> {
  // Next's maps of its own chunks take a hundred megabytes, and say where in its bundles something failed.
  process.setSourceMapsEnabled(false);
  const config = readConfig(process.env);
  const pembit = await openPembit(config);
  const { log } = pembit;
  logConsole(log);
  sharePembit(pembit);
  if (config.unknownNames.length > 0)
    log.warn(
      { names: config.unknownNames },
      'These names in the environment are not known: look for a slip of the pen',
    );
  if (pembit.migrations.applied.length > 0)
    log.info({ applied: pembit.migrations.applied }, 'Data folder brought up to date');
  if (config.demo) await loadDemo(pembit);
  await printSetupCode(pembit);

  const dev = process.env.PEMBIT_DEV === '1';
  const app = next({ dev, hostname: 'localhost', port: config.port });
  const handle = app.getRequestHandler();
  await app.prepare();
  const answerOutlet = createOutletAnswerer(pembit);
  const secure = config.baseUrl.startsWith('https:');

  const server = createServer((request, response) => {
    noteAddress(request, config.behindProxy);
    logRequest(pembit, request, response);
    if (secure) response.setHeader('strict-transport-security', `max-age=${TWO_YEARS}`);
    // Not parsed as a URL: a request target such as `//` is none, and must not take the process down.
    const [pathname = '/', query = ''] = (request.url ?? '/').split(/\?(.*)/s);
    if (isPreflight(request, pathname)) return void sendPreflight(request, response);
    const refusal = refusalOf(request.method ?? 'GET', pathname, query);
    if (refusal) return sendRefusal(response, refusal);
    const work =
      pathname === '/metrics'
        ? sendMetrics(request, response)
        : isOutletPath(pathname)
          ? sendOutlet(request, response, pathname, query)
          : isLtiPath(pathname)
            ? sendLti(request, response, pathname, query)
            : (answerDirectly(request, response, { path: pathname, baseUrl: config.baseUrl }) ??
              noteFrames(request, pathname).then(() => handle(request, response)));
    work.catch((error: unknown) => {
      log.error({ err: error, request: response.getHeader(REQUEST_ID) }, 'A request failed');
      if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('Something went wrong on the server. Try again in a moment.');
    });
  });

  server.keepAliveTimeout = KEEP_ALIVE_MS;

  async function sendPreflight(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const { status, headers } = await answerPreflight(pembit, request.headers.origin ?? '');
    response.writeHead(status, headers);
    response.end();
  }

  async function sendMetrics(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const answer = await answerMetrics(pembit, request.headers.authorization ?? '');
    response.writeHead(answer.status, answer.headers);
    response.end(answer.body);
  }

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
    if (!answer.stream) return void response.end(answer.body);
    // Whoever stops listening to a recording closes the connection: that is no failure.
    await pipeline(Readable.fromWeb(answer.stream as NodeReadableStream), response).catch(() =>
      response.destroy(),
    );
  }

  /** A course's site and the browsers that it sends; forms alone have a body that is read. */
  async function sendLti(
    request: IncomingMessage,
    response: ServerResponse,
    path: string,
    query: string,
  ): Promise<void> {
    const form = request.method === 'POST' ? await readForm(request) : new URLSearchParams();
    if (!form) return sendRefusal(response, { status: 413, text: 'This form is too large.' });
    const { method = 'GET', headers } = request;
    const site = headers['sec-fetch-site'];
    const fromHere = site === undefined ? headers.origin === new URL(config.baseUrl).origin : site === 'same-origin'; // prettier-ignore
    const asked = { method, path, query, cookie: headers.cookie ?? '', form, fromHere };
    const answer = await answerLti(pembit, asked);
    response.writeHead(answer.status, answer.headers as Record<string, string | string[]>);
    response.end(method === 'HEAD' ? undefined : answer.body);
  }

  /** Tells the pages which course's site may show them in a frame; nobody else says so. */
  async function noteFrames(request: IncomingMessage, path: string): Promise<void> {
    delete request.headers[FRAMES];
    const origins = await framingOrigins(pembit, request.headers.cookie ?? '', path);
    if (origins.length > 0) request.headers[FRAMES] = origins.join(' ');
  }

  const standins = config.standins
    ? await (
        await import('./src/standins/startStandins')
      ).startStandins({
        port: config.standinsPort,
        pembitUrl: config.baseUrl,
        now: () => pembit.now().epochMilliseconds,
      })
    : undefined;
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.host, () => resolve());
  });
  log.info({ url: config.baseUrl, host: config.host ?? 'all addresses', port: config.port }, `Pembit is ready on ${config.baseUrl}`); // prettier-ignore
  if (standins) log.info(`The stand-ins are on ${standins.url}`);

  const stopJobs = startJobs(pembit, jobsOf(pembit));
  if (!dev && !config.lazy)
    loadPages('.next').then(
      (pages) => log.debug({ pages }, 'All pages are loaded'),
      (error: unknown) => log.error({ err: error }, 'A page could not be loaded'),
    );

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    pembit.stop();
    standins?.close();
    const answered = new Promise<void>((resolve) => server.close(() => resolve()));
    // Those that are being answered close when they have been.
    server.keepAliveTimeout = 1;
    server.closeIdleConnections();
    const late = new Promise<void>((resolve) => setTimeout(resolve, STOP_WITHIN_MS));
    // Requests in flight and jobs in hand are waited for, but not for ever: a mail server may hang.
    void Promise.race([Promise.all([answered, stopJobs()]), late])
      .then(() => Promise.race([writeReads(pembit).then(() => pembit.close()), late]))
      .catch((error: unknown) => log.error({ err: error }, 'The last writes failed'))
      .then(() => process.exit(0));
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: unknown) => {
  createLog('error').fatal(error instanceof Error ? error.message : String(error));
  process.exit(1);
});
