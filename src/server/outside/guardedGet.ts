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

/**
 * What the IANA special-purpose address registries (IPv4: RFC 6890 and later, IPv6 likewise; from memory) list beyond what
 * ipaddr.js has names for: IPv4-compatible addresses, the translation prefixes, dummy and segment-routing prefixes, AS112 relays.
 */
const SPECIAL = [
  '192.31.196.0/24', '192.52.193.0/24', '192.175.48.0/24', '192.88.99.0/24', '198.18.0.0/15', '240.0.0.0/4',
  '::/96', '64:ff9b::/96', '64:ff9b:1::/48', '100::/64', '100:0:0:1::/64', '2001::/23', '2001:db8::/32', '2002::/16', '2620:4f:8000::/48',
  '3fff::/20', '5f00::/16', 'fec0::/10',
].map((network) => ipaddr.parseCIDR(network)); // prettier-ignore

const isIn = (address: ipaddr.IPv4 | ipaddr.IPv6, [network, bits]: [ipaddr.IPv4 | ipaddr.IPv6, number]) =>
  address.kind() === network.kind() && address.match(network as never, bits);

/** Whether an address belongs to the open internet: not private, loopback, link-local, nor a way to reach those. */
export function isOpenAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  // `process` reads IPv4 written as IPv6.
  const read = ipaddr.process(address);
  return read.range() === 'unicast' && !SPECIAL.some((network) => isIn(read, network));
}

/** Whether the operator has named a host, or a network in which an address lies, as the school's own. */
function isAllowed({ allowedHosts }: Config, host: string, address?: string): boolean {
  return allowedHosts.some((one) => {
    if (!one.includes('/')) return one.toLowerCase() === host.toLowerCase();
    return address !== undefined && ipaddr.isValid(address) && isIn(ipaddr.process(address), ipaddr.parseCIDR(one)); // prettier-ignore
  });
}

/** The stand-ins' own origin, which is on this machine, may be asked while they run. */
const standinsOrigin = (config: Config) =>
  config.standins ? `http://127.0.0.1:${config.standinsPort}` : undefined;

/** Whether what is sent to an address is encrypted on its way, or goes to the school's own network. */
export function isSecureOrOwn(config: Config, address: string): boolean {
  const { protocol, hostname, origin } = new URL(address);
  const host = hostname.replace(/^\[|\]$/g, '');
  return protocol === 'https:' || origin === standinsOrigin(config) || isAllowed(config, host, host);
}

/** Names are resolved here and the connection goes to what was judged: a second answer of the name server changes nothing. */
const guardedLookup =
  (config: Config, resolver: typeof resolve): LookupFunction =>
  (hostname, options, callback) => {
    resolver(hostname, { all: true }, (error, found) => {
      const addresses = found as LookupAddress[];
      if (error) return callback(error, '', 4);
      if (
        addresses.length === 0 ||
        !addresses.every(({ address }) => isOpenAddress(address) || isAllowed(config, hostname, address))
      )
        // prettier-ignore

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
 * credentials. What the operator has named as the school's own is fetched as well.
 */
export const guardedGet = (
  config: Config,
  address: string,
  request: OutsideRequest,
): Promise<OutsideResult> => ask(config, address, request);

/** Sends to an address that a person's browser gave, by the same rules; a redirect is the answer, and is not followed. */
export const guardedPost = (
  config: Config,
  address: string,
  body: Buffer,
  request: OutsideRequest,
): Promise<OutsideResult> => ask(config, address, request, body);

async function ask(
  config: Config,
  address: string,
  request: OutsideRequest,
  sent?: Buffer,
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
    if (!open && isIP(host) && !isOpenAddress(host) && !isAllowed(config, host, host))
      return { ok: false, reason: 'blockedAddress' };
    let answer: Readonly<{ message: IncomingMessage; body: Buffer | undefined }>;
    try {
      answer = await once(config, target, { request, open, signal, sent });
    } catch (error) {
      if (error instanceof Blocked) return { ok: false, reason: 'blockedAddress' };
      return { ok: false, reason: timeOut.aborted ? 'timeOut' : 'unreachable' };
    }
    const { message, body } = answer;
    const status = message.statusCode ?? 0;
    const { location } = message.headers;
    if (!sent && isRedirect(status) && location) {
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
  config: Config,
  target: URL,
  { request, open, signal, sent }: Readonly<{ request: OutsideRequest; open: boolean; signal: AbortSignal; sent: Buffer | undefined }>, // prettier-ignore
): Promise<{ message: IncomingMessage; body: Buffer | undefined }> {
  const { largest, beyond, headers, resolver = resolve } = request;
  return new Promise((done, fail) => {
    const asked = (target.protocol === 'https:' ? https : http).request(
      target,
      {
        method: sent ? 'POST' : 'GET',
        agent: false,
        signal,
        ...(open ? {} : { lookup: guardedLookup(config, resolver) }),
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
    asked.end(sent);
  });
}
