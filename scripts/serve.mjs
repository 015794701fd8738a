import { spawn } from 'node:child_process';
import { heapFlags } from './heap.mjs';
import { environment, root } from './setup.mjs';

/** Starts server.ts and hands signals on; this process ends when the server does. */
export function serve(env = {}) {
  const child = spawn(process.execPath, [...heapFlags(), '--import', 'tsx', 'server.ts'], {
    cwd: root,
    env: { ...environment, NODE_ENV: 'production', ...env },
    stdio: 'inherit',
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 1));
}
