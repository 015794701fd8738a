import { spawn } from 'node:child_process';
import { COMMAND } from '@/data/serving';

/**
 * Runs one of PostgreSQL's own programs on a database. The address goes by the environment's names for its parts and not on the command
 * line, where everybody on the machine would read the password.
 * @throws Error with a sentence, and with what the program said.
 */
export function runTool(
  program: 'pg_dump' | 'pg_restore',
  url: string,
  options: readonly string[],
): Promise<void> {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const sslmode = searchParams.get('sslmode');
  const env = {
    ...process.env,
    PGHOST: decodeURIComponent(hostname),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
    PGAPPNAME: COMMAND,
    ...(sslmode ? { PGSSLMODE: sslmode } : {}),
  };
  return new Promise((resolve, reject) => {
    const child = spawn(program, options, { env, stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
    child.once('error', () =>
      reject(
        new Error(
          `${program} is not there. Install PostgreSQL's client programs, of its server's version or later.`,
        ),
      ),
    );
    child.once('exit', (code) =>
      code === 0
        ? resolve()
        : reject(new Error(`${program} failed: ${said.trim() || `it ended with ${code}`}`)),
    );
  });
}
