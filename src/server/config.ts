import path from 'node:path';
import { z } from 'zod';

const port = z.coerce.number().int().min(1).max(65535);
const flag = z
  .string()
  .optional()
  .transform((text) => text === '1' || text === 'true');

const environment = z.object({
  PORT: port.default(4310),
  PEMBIT_STANDINS_PORT: port.default(4311),
  PEMBIT_DATA: z.string().default('./var'),
  PEMBIT_BASE_URL: z.url().optional(),
  PEMBIT_SECRET_FILE: z.string().optional(),
  PEMBIT_NOW: z.iso.datetime().optional(),
  PEMBIT_DEMO: flag,
  PEMBIT_STANDINS: flag,
  PEMBIT_SMTP_URL: z.url().optional(),
  PEMBIT_PROXY: flag,
  PEMBIT_OIDC_ISSUER: z.url().optional(),
  PEMBIT_OIDC_CLIENT: z.string().default('pembit'),
  PEMBIT_OIDC_SECRET: z.string().optional(),
  PEMBIT_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

export type Config = Readonly<{
  port: number;
  standinsPort: number;
  dataFolder: string;
  baseUrl: string;
  secretFile: string;
  /** Where the clock starts; demo and tests only. */
  startsAt?: string;
  demo: boolean;
  /** Whether the stand-ins run beside: in the demo, and in tests that need them without the demo's school. */
  standins: boolean;
  /** Where mail is handed over; absent: it waits, or, in a demo, goes to the stand-in. */
  smtpUrl?: string;
  /** Whether a proxy of the operator stands in front, whose word on where a request comes from is taken. */
  behindProxy: boolean;
  /** The school's own sign-in (OpenID Connect); in a demo, the stand-in. */
  schoolSignIn?: Readonly<{ issuer: string; client: string; secret?: string }>;
  log: 'silent' | 'error' | 'warn' | 'info' | 'debug';
}>;

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
  return {
    port: data.PORT,
    standinsPort: data.PEMBIT_STANDINS_PORT,
    dataFolder,
    baseUrl: (data.PEMBIT_BASE_URL ?? `http://localhost:${data.PORT}`).replace(/\/$/, ''),
    secretFile: path.resolve(data.PEMBIT_SECRET_FILE ?? path.join(dataFolder, 'secret')),
    startsAt: data.PEMBIT_NOW,
    demo: data.PEMBIT_DEMO,
    standins,
    smtpUrl: data.PEMBIT_SMTP_URL,
    behindProxy: data.PEMBIT_PROXY,
    schoolSignIn: issuer
      ? { issuer, client: data.PEMBIT_OIDC_CLIENT, secret: data.PEMBIT_OIDC_SECRET }
      : undefined,
    log: data.PEMBIT_LOG,
  };
}
