import { spawn } from 'node:child_process';
import { serverArguments } from './serverArguments.mjs';
import { environment, root, say } from './setup.mjs';

/** How often it is looked whether whoever started this is still there. */
const LOOK_MS = 500;
/** After so long a server that was asked to stop is ended. */
const STOP_WITHIN_MS = 9500;

/**
 * Starts the server and hands signals on; this process ends when the server does. A signal to npm may end the shell in between and
 * never come here: whoever has lost its parent stops, too.
 */
export function serve(env = {}) {
  const child = spawn(process.execPath, serverArguments(), {
    cwd: root,
    env: { ...environment, NODE_ENV: 'production', ...env },
    stdio: 'inherit',
  });
  let stopping = false;
  const stop = (signal) => {
    child.kill(signal);
    if (stopping) return;
    stopping = true;
    setTimeout(() => child.kill('SIGKILL'), STOP_WITHIN_MS).unref();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(signal === 'SIGHUP' ? 'SIGTERM' : signal)); // prettier-ignore
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && stop('SIGTERM'), LOOK_MS).unref();
  child.on('exit', (code, signal) => process.exit(code ?? (signal === 'SIGTERM' ? 0 : 1)));
  return child;
}

/** Says where to look once the server answers: its own words are lines of JSON for a machine. */
export async function sayWhenReady(url) {
  for (let i = 0; i < 240; i++) {
    const answer = await fetch(`${url}/api/health`).catch(() => undefined);
    if (answer?.ok) return say(`Open ${url}`);
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}
