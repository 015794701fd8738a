import path from 'node:path';
import ipaddr from 'ipaddr.js';
import { z } from 'zod';

const port = z.coerce.number().int().min(1).max(65535);
const flag = z
  .string()
  .optional()
  .transform((text) => text === '1' || text === 'true');
/** What is given as nothing is not given. */
const given = (schema: z.ZodType<string | undefined>) =>
  z.preprocess((text) => (text === '' ? undefined : text), schema);
const webAddress = given(z.url({ protocol: /^https?$/, error: 'must be a whole address, such as https://pembit.school.example' }).optional()); // prettier-ignore

const baseUrl = webAddress.refine(
  // What is no address at all is told by the check before.
  (text) => text === undefined || !URL.canParse(text) || new URL(text).pathname === '/',
  'must be a host without a path: Pembit answers at the root of its host',
);

/** Hosts and networks of the school's own, separated by commas. */
const allowedHosts = z
  .string()
  .default('')
  .transform((text) => text.split(/[\s,]+/).filter(Boolean))
  .refine(
    (list) => list.every((one) => (one.includes('/') ? ipaddr.isValidCIDR(one) : /^[\w.:-]+$/.test(one))),
    'must name hosts or networks, such as calendar.school.internal, 10.20.0.0/16',
  );

const databaseUrl = given(
  z.url({ protocol: /^postgres(ql)?$/, error: 'must begin with postgres://' }).optional(),
);

const environment = z.object({
  PORT: port.default(4310),
  HOST: given(z.string().optional()),
  PEMBIT_STANDINS_PORT: port.default(4311),
  PEMBIT_DATA: z.string().default('./var'),
  PEMBIT_DATABASE_URL: databaseUrl,
  PEMBIT_BASE_URL: baseUrl,
  PEMBIT_SECRET_FILE: given(z.string().optional()),
  PEMBIT_NOW: z.iso.datetime().optional(),
  PEMBIT_DEMO: flag,
  PEMBIT_STANDINS: flag,
  PEMBIT_DEV: flag,
  PEMBIT_SMTP_URL: given(z.url({ protocol: /^smtps?$/, error: 'must begin with smtp:// or smtps://' }).optional()), // prettier-ignore
  PEMBIT_SMTP_PLAIN: flag,
  PEMBIT_MAIL_FROM: given(z.email().optional()),
  PEMBIT_PROXY: flag,
  PEMBIT_ALLOW_HOSTS: allowedHosts,
  PEMBIT_OIDC_ISSUER: webAddress,
  PEMBIT_OIDC_CLIENT: z.string().default('pembit'),
  PEMBIT_OIDC_SECRET: given(z.string().optional()),
  PEMBIT_OIDC_UNVERIFIED: flag,
  PEMBIT_BACKUPS: given(z.string().optional()),
  PEMBIT_ROSTERS: given(z.string().optional()),
  PEMBIT_ONEROSTER_URL: webAddress,
  PEMBIT_ONEROSTER_TOKENS: webAddress,
  PEMBIT_ONEROSTER_CLIENT: z.string().default('pembit'),
  PEMBIT_ONEROSTER_SECRET: given(z.string().optional()),
  PEMBIT_METRICS_TOKEN: given(z.string().min(16, 'must have 16 characters or more').optional()),
  PEMBIT_HEAP_MB: z.coerce.number().int().min(128).optional(),
  PEMBIT_LAZY: flag,
  PEMBIT_CHECK_ANSWERS: flag,
  PEMBIT_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

export type Config = Readonly<{
  port: number;
  /** The address that is listened on; absent: all. */
  host?: string;
  standinsPort: number;
  dataFolder: string;
  /** PostgreSQL, where the school's data are there and not in a file of the folder; the folder is shared by all processes then. */
  databaseUrl?: string;
  baseUrl: string;
  secretFile: string;
  /** Where nightly backups go. */
  backupFolder: string;
  /** Where the school's system leaves its lists (OneRoster 1.2 CSV), which are read each night; absent: nowhere. */
  rosterFolder?: string;
  /** The school's system, where it is asked for its lists (OneRoster 1.2 REST): its address, and who gives access by client credentials. */
  rosterService?: Readonly<{ url: string; tokens: string; client: string; secret: string }>;
  /** Where the clock starts; demo and tests only. */
  startsAt?: string;
  demo: boolean;
  /** Whether the stand-ins run beside: in the demo, and in tests that need them without the demo's school. */
  standins: boolean;
  /** Where mail is handed over; absent: it waits, or, in a demo, goes to the stand-in. */
  smtpUrl?: string;
  /** Whether credentials may go to it without encryption. */
  smtpPlain: boolean;
  /** The address that letters come from. */
  mailFrom: string;
  /** Whether a page's code is loaded when somebody first comes to it, instead of all at the start. */
  lazy: boolean;
  /** Whether every answer of the API is held to its description, as tests and development have it. */
  checksAnswers: boolean;
  /** Whether a proxy of the operator stands in front, whose word on where a request comes from is taken. */
  behindProxy: boolean;
  /** Hosts and networks of the school's own that may be fetched from although they are not of the open internet. */
  allowedHosts: readonly string[];
  /** The school's own sign-in (OpenID Connect); in a demo, the stand-in. */
  schoolSignIn?: Readonly<{
    issuer: string;
    client: string;
    secret?: string;
    /** Whether an address counts of which the provider does not say whether it is verified. */
    takesUnverified: boolean;
  }>;
  /** Who may read `/metrics`; absent: nobody. */
  metricsToken?: string;
  log: 'silent' | 'error' | 'warn' | 'info' | 'debug';
  /** Names in the environment that look like Pembit's and are none. */
  unknownNames: readonly string[];
}>;

type Environment = z.output<typeof environment>;

/** The school's system for rosters: what the environment says, else, where stand-ins run, theirs. */
function rosterServiceOf(data: Environment): Pick<Config, 'rosterService'> {
  const { PEMBIT_ONEROSTER_URL: url, PEMBIT_ONEROSTER_TOKENS: tokens, PEMBIT_ONEROSTER_SECRET: secret } = data;
  if (url && tokens && secret) return { rosterService: { url, tokens, client: data.PEMBIT_ONEROSTER_CLIENT, secret } };
  if (url ?? tokens ?? secret)
    throw new Error('PEMBIT_ONEROSTER_URL, PEMBIT_ONEROSTER_TOKENS and PEMBIT_ONEROSTER_SECRET belong together.');
  if (!(data.PEMBIT_DEMO || data.PEMBIT_STANDINS)) return {};
  const standin = `http://127.0.0.1:${data.PEMBIT_STANDINS_PORT}/school-system`;
  return { rosterService: { url: `${standin}/rostering/v1p2`, tokens: `${standin}/token`, client: 'pembit', secret: 'school-system-secret' } };
} // prettier-ignore

/** @throws Error that names the variables which cannot be read. */
export function readConfig(env: Record<string, string | undefined>): Config {
  const read = environment.safeParse(env);
  if (!read.success) {
    const names = read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
    throw new Error(`The environment cannot be read. ${names.join('; ')}`);
  }
  const { data } = read;
  const standins = data.PEMBIT_DEMO || data.PEMBIT_STANDINS;
  const issuer = data.PEMBIT_OIDC_ISSUER ?? (standins ? `http://127.0.0.1:${data.PEMBIT_STANDINS_PORT}/school-sign-in` : undefined); // prettier-ignore
  const dataFolder = path.resolve(data.PEMBIT_DATA);
  const base = (data.PEMBIT_BASE_URL ?? `http://localhost:${data.PORT}`).replace(/\/$/, '');
  return {
    port: data.PORT,
    host: data.HOST ?? (data.PEMBIT_PROXY ? '127.0.0.1' : undefined),
    standinsPort: data.PEMBIT_STANDINS_PORT,
    dataFolder,
    ...(data.PEMBIT_DATABASE_URL ? { databaseUrl: data.PEMBIT_DATABASE_URL } : {}),
    baseUrl: base,
    secretFile: path.resolve(data.PEMBIT_SECRET_FILE ?? path.join(dataFolder, 'secret')),
    backupFolder: path.resolve(data.PEMBIT_BACKUPS ?? path.join(dataFolder, 'backups')),
    ...rosterServiceOf(data),
    ...(data.PEMBIT_ROSTERS ? { rosterFolder: path.resolve(data.PEMBIT_ROSTERS) } : {}),
    startsAt: data.PEMBIT_NOW,
    demo: data.PEMBIT_DEMO,
    standins,
    smtpUrl: data.PEMBIT_SMTP_URL,
    smtpPlain: data.PEMBIT_SMTP_PLAIN,
    mailFrom: data.PEMBIT_MAIL_FROM ?? `pembit@${new URL(base).hostname}`,
    lazy: data.PEMBIT_LAZY,
    checksAnswers: data.PEMBIT_CHECK_ANSWERS || data.PEMBIT_DEV,
    behindProxy: data.PEMBIT_PROXY,
    allowedHosts: data.PEMBIT_ALLOW_HOSTS,
    schoolSignIn: issuer
      ? {
          issuer,
          client: data.PEMBIT_OIDC_CLIENT,
          secret: data.PEMBIT_OIDC_SECRET,
          takesUnverified: data.PEMBIT_OIDC_UNVERIFIED,
        }
      : undefined,
    metricsToken: data.PEMBIT_METRICS_TOKEN,
    log: data.PEMBIT_LOG,
    unknownNames: Object.keys(env).filter((name) => name.startsWith('PEMBIT_') && !(name in environment.shape)), // prettier-ignore
  };
}
