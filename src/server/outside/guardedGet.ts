import { lookup as resolve } from 'node:dns';
import type { LookupAddress } from 'node:dns';
import http from 'node:http';
import type { IncomingMessage } from 'node:http';
import https from 'node:https';
import type { LookupFunction } from 'node:net';
import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import type { Config } from '../config';

export const OUTSIDE_LIMITS = { milliseconds: 10_000, redirects: 5 } as const;

export type OutsideFailure =
  'badAddress' | 'blockedAddress' | 'timeOut' | 'tooManyRedirects' | 'tooLarge' | 'unreachable';

export type OutsideAnswer = Readonly<{
  ok: true;
  status: number;
  headers: Readonly<Record<string, string>>;
  body: Buffer;
  /** Where it was found in the end. */
  url: string;
  /** The statuses of the redirects that led there. */
  redirects: readonly number[];
}>;
export type OutsideResult = OutsideAnswer | Readonly<{ ok: false; reason: OutsideFailure }>;

export type OutsideRequest = Readonly<{
  /** How many bytes are read at most. */
  largest: number;
  /** Whether a larger body is cut there or refused. */
  beyond: 'cut' | 'refuse';
  headers?: Readonly<Record<string, string>>;
  signal?: AbortSignal;
  /** For tests: how names are resolved. */
  resolver?: typeof resolve;
}>;

class Blocked extends Error {}

/** Whether an address belongs to the open internet: not private, loopback, link-local, nor a way to reach those. */
export function isOpenAddress(address: string): boolean {
  // `process` reads IPv4 written as IPv6; every other special range has a name of its own.
  return ipaddr.isValid(address) && ipaddr.process(address).range() === 'unicast';
}

/** The stand-ins' own origin, which is on this machine, may be asked while they run. */
const standinsOrigin = (config: Config) =>
  config.standins ? `http://127.0.0.1:${config.standinsPort}` : undefined;

/** Names are resolved here and the connection goes to what was judged: a second answer of the name server changes nothing. */
const guardedLookup =
  (resolver: typeof resolve): LookupFunction =>
  (hostname, options, callback) => {
    resolver(hostname, { all: true }, (error, found) => {
      const addresses = found as LookupAddress[];
      if (error) return callback(error, '', 4);
      if (addresses.length === 0 || !addresses.every(({ address }) => isOpenAddress(address)))
        return callback(new Blocked(hostname), '', 4);
      const [first] = addresses;
      if (options.all) callback(null, addresses);
      else callback(null, first!.address, first!.family);
    });
  };

const isRedirect = (status: number) => [301, 302, 303, 307, 308].includes(status);

/**
 * Fetches what a person gave the address of. Only http and https (webcal is fetched as https), only the open internet, judged
 * after each name is resolved and again at each redirect; within limits of time, redirects and size. No cookies, no
 * credentials.
 */
export async function guardedGet(
  config: Config,
  address: string,
  request: OutsideRequest,
): Promise<OutsideResult> {
  const redirects: number[] = [];
  const timeOut = AbortSignal.timeout(OUTSIDE_LIMITS.milliseconds);
  const signal = request.signal ? AbortSignal.any([timeOut, request.signal]) : timeOut;
  let url = address.replace(/^webcal:/i, 'https:');
  for (;;) {
    if (!URL.canParse(url)) return { ok: false, reason: 'badAddress' };
    const target = new URL(url);
    if (!/^https?:$/.test(target.protocol) || target.username || target.password)
      return { ok: false, reason: 'badAddress' };
    const host = target.hostname.replace(/^\[|\]$/g, '');
    const open = target.origin === standinsOrigin(config);
    if (!open && isIP(host) && !isOpenAddress(host)) return { ok: false, reason: 'blockedAddress' };
    let answer: Readonly<{ message: IncomingMessage; body: Buffer | undefined }>;
    try {
      answer = await once(target, request, open, signal);
    } catch (error) {
      if (error instanceof Blocked) return { ok: false, reason: 'blockedAddress' };
      return { ok: false, reason: timeOut.aborted ? 'timeOut' : 'unreachable' };
    }
    const { message, body } = answer;
    const status = message.statusCode ?? 0;
    const { location } = message.headers;
    if (isRedirect(status) && location) {
      redirects.push(status);
      if (redirects.length > OUTSIDE_LIMITS.redirects) return { ok: false, reason: 'tooManyRedirects' };
      if (!URL.canParse(location, url)) return { ok: false, reason: 'badAddress' };
      url = new URL(location, url).href;
      continue;
    }
    if (body === undefined) return { ok: false, reason: 'tooLarge' };
    const headers = Object.fromEntries(
      Object.entries(message.headers).map(([name, value]) => [name, String(value)]),
    );
    return { ok: true, status, headers, body, url, redirects };
  }
}

/** One request, without redirects. `body` is undefined where it is larger than it may be. */
function once(
  target: URL,
  { largest, beyond, headers, resolver = resolve }: OutsideRequest,
  open: boolean,
  signal: AbortSignal,
): Promise<{ message: IncomingMessage; body: Buffer | undefined }> {
  return new Promise((done, fail) => {
    const asked = (target.protocol === 'https:' ? https : http).get(
      target,
      {
        agent: false,
        signal,
        ...(open ? {} : { lookup: guardedLookup(resolver) }),
        headers: { 'user-agent': 'Pembit', accept: '*/*', 'accept-encoding': 'identity', ...headers },
      },
      (message) => {
        const chunks: Buffer[] = [];
        let size = 0;
        const finish = (body: Buffer | undefined) => {
          done({ message, body });
          message.destroy();
        };
        message.on('data', (chunk: Buffer) => {
          size += chunk.length;
          chunks.push(chunk);
          if (size > largest)
            finish(beyond === 'cut' ? Buffer.concat(chunks).subarray(0, largest) : undefined);
        });
        message.on('end', () => finish(Buffer.concat(chunks)));
        message.on('error', fail);
      },
    );
    asked.on('error', fail);
  });
}
