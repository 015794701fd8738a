import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, test } from 'vitest';
import { readConfig } from '@/server/config';

/** The sample files that an operator starts from: read by the programs they are for, where those are installed. */
const read = (name: string) => readFileSync(path.join('deploy', name), 'utf8');
const NGINX = '/usr/sbin/nginx';
const has = (program: string) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;

describe('the nginx site', () => {
  const map = [...read('nginx.conf').matchAll(/^\s+~(\S+)\s+(\S+);$/gm)].map(([, pattern, into]) => [new RegExp(pattern!.replaceAll('?<', '?<')), into!] as const); // prettier-ignore
  const logged = (uri: string) => {
    for (const [pattern, into] of map) {
      const match = pattern.exec(uri);
      if (match) return into.replace(/\$(\w+)/g, (_, name: string) => match.groups?.[name] ?? '');
    }
    return uri;
  };
  test.each([
    ['/feeds/q3Zr-0_aBc.ics?x=1', '/feeds/-'],
    ['/embed/q3Zr-0_aBc/day/2026-10-13', '/embed/-'],
    ['/g/q3Zr-0_aBc', '/g/-'],
    ['/join/q3Zr-0_aBc', '/join/-'],
    ['/welcome/q3Zr-0_aBc', '/welcome/-'],
    ['/s/1?link=q3Zr-0_aBc', '/s/1'],
    ['/term', '/term'],
  ])('logs %s as %s', (uri, expected) => expect(logged(uri)).toBe(expected));

  test.skipIf(!existsSync(NGINX))('is taken by nginx itself', () => {
    const folder = mkdtempSync(path.join(tmpdir(), 'pembit-nginx-'));
    try {
      const [key, cert] = [path.join(folder, 'key.pem'), path.join(folder, 'cert.pem')];
      execFileSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-keyout', key, '-out', cert, '-days', '1', '-subj', '/CN=pembit'], { stdio: 'ignore' }); // prettier-ignore
      const site = read('nginx.conf')
        .replaceAll('/etc/ssl/certs/pembit.pem', cert)
        .replaceAll('/etc/ssl/private/pembit.key', key)
        .replaceAll('/var/log/nginx/pembit.log', path.join(folder, 'access.log'))
        // Debian 12 has nginx 1.22, which says it in the line of the port.
        .replace('listen 443 ssl;\n    http2 on;', 'listen 443 ssl http2;');
      const whole = path.join(folder, 'nginx.conf');
      writeFileSync(
        whole,
        `pid ${folder}/pid;\nerror_log ${folder}/error.log;\nevents {}\nhttp {\n${site}\n}\n`,
      );
      const tried = spawnSync(NGINX, ['-t', '-c', whole, '-p', folder], { encoding: 'utf8' });
      expect(tried.stderr).toContain('test is successful');
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

describe('the systemd unit', () => {
  const unit = read('pembit.service');
  test('gives the server what it needs, under names that it knows', () => {
    const line = /^Environment=(.+)$/m.exec(unit)![1]!;
    const env = Object.fromEntries(line.split(' ').map((pair) => pair.split('=') as [string, string]));
    const config = readConfig(env);
    expect([config.unknownNames, config.dataFolder, config.host]).toEqual([
      [],
      '/var/lib/pembit',
      '127.0.0.1',
    ]);
    expect(existsSync(/^ExecStart=\S+ (\S+)$/m.exec(unit)![1]!)).toBe(true);
    // A stop is over within ten seconds; systemd waits longer.
    expect(Number(/^TimeoutStopSec=(\d+)$/m.exec(unit)![1])).toBeGreaterThan(10);
  });
  test.skipIf(!has('systemd-analyze'))('is taken by systemd itself', () => {
    const tried = spawnSync('systemd-analyze', ['verify', '--man=no', path.resolve('deploy/pembit.service')], { encoding: 'utf8' }); // prettier-ignore
    expect(tried.stderr).not.toMatch(/Unknown|Failed to parse|Invalid/);
  });
});

test('the container file sets up, and starts as nobody in particular', () => {
  const text = read('Containerfile');
  const scripts = (JSON.parse(readFileSync('package.json', 'utf8')) as { scripts: Record<string, string> })
    .scripts;
  expect(scripts.setup).toBeDefined();
  expect(text).toMatch(/^RUN npm run setup$/m);
  expect(text).toMatch(/^USER pembit$/m);
  expect(existsSync(/^CMD \["node", "([^"]+)"\]$/m.exec(text)![1]!)).toBe(true);
});
