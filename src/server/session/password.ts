import { availableParallelism } from 'node:os';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';

/** So many wait at most beside those in hand, and so long; whoever comes then is told to try again. */
const MOST_WAITING = 64;
const LONGEST_WAIT_MS = 20_000;
export const BUSY_SECONDS = 5;

/** More passwords are being hashed than there is time for. */
export class TooBusy extends Error {}

// The process and Next's bundles are two module instances: the threads exist once.
const holder = globalThis as { pembitPasswords?: Piscina };

/**
 * Threads of their own: a hash takes a core for a while, and libuv's threads are the database's. One core is left for answering.
 */
function threads(): Piscina {
  holder.pembitPasswords ??= new Piscina({
    filename: pathToFileURL(`${process.cwd()}/src/server/session/passwordThread.mjs`).href,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: MOST_WAITING,
    idleTimeout: 10_000,
    concurrentTasksPerWorker: 1,
    execArgv: [],
  });
  return holder.pembitPasswords;
}

async function run<T>(asked: Readonly<{ password: string; hash?: string }>): Promise<T> {
  const pool = threads();
  if (pool.queueSize >= MOST_WAITING) throw new TooBusy();
  try {
    return (await pool.run(asked, { signal: AbortSignal.timeout(LONGEST_WAIT_MS) })) as T;
  } catch (error) {
    const name = error instanceof Error ? error.name : '';
    if (name === 'AbortError' || /queue is at limit/.test(String(error))) throw new TooBusy();
    throw error;
  }
}

/** Argon2id with its cost and salt, as a PHC string. @throws TooBusy */
export const hashPassword = (password: string): Promise<string> => run({ password });

/** Whether a password fits a hash, also of the kind that was made before. @throws TooBusy */
export const verifyPassword = (password: string, hash: string): Promise<boolean> => run({ password, hash });

/** Whether a hash is of a kind that is not made any more: whoever signs in gets a new one. */
export const isOutdated = (hash: string): boolean => !hash.startsWith('$argon2id$');

let nobody: Promise<string> | undefined;

/** Takes as long as a real check, so that an unknown address does not answer sooner than a wrong password. @throws TooBusy */
export async function verifyNobody(password: string): Promise<false> {
  nobody ??= hashPassword('nobody has this password');
  nobody.catch(() => (nobody = undefined));
  await verifyPassword(password, await nobody);
  return false;
}
