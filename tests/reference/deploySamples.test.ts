import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';

/** What Debian 12's own nginx and shell say of the samples in deploy/. */
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-deploy-'));
  const made = spawnSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '1', '-subj', '/CN=pembit.school.example', '-keyout', `${folder}/pembit.key`, '-out', `${folder}/pembit.pem`]); // prettier-ignore
  if (made.status !== 0) throw new Error(String(made.stderr));
  writeFileSync(`${folder}/pembit-processes.conf`, 'server 127.0.0.1:4310 max_fails=1 fail_timeout=5s;\n');
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test.each(['nginx.conf', 'nginx-several.conf'])('%s is a site that nginx takes', (name) => {
  const site = readFileSync(path.join('deploy', name), 'utf8').replaceAll(
    /\/etc\/(ssl\/certs|ssl\/private|nginx)|\/var\/(cache\/nginx|log\/nginx)/g,
    folder,
  );
  writeFileSync(`${folder}/${name}`, site);
  const main = `${folder}/main-${name}`;
  writeFileSync(
    main,
    `pid ${folder}/nginx.pid; error_log ${folder}/error.log; events {} http { include ${folder}/${name}; }`,
  );
  const tried = spawnSync('/usr/sbin/nginx', ['-t', '-c', main], { encoding: 'utf8' });
  expect(tried.stderr).toContain('test is successful');
});

test('the script for a rolling restart is one that a plain shell reads', () =>
  expect(spawnSync('sh', ['-n', 'deploy/rolling-restart.sh']).status).toBe(0));
