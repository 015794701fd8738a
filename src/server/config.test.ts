import { describe, expect, test } from 'vitest';
import { readConfig } from './config';

describe('what the environment says', () => {
  test.each<[string, Record<string, string>, string]>([
    ['a base address with a path', { PEMBIT_BASE_URL: 'https://school.example/pembit' }, 'PEMBIT_BASE_URL: must be a host without a path'],
    ['a base address that is none', { PEMBIT_BASE_URL: 'pembit.example' }, 'PEMBIT_BASE_URL: must be a whole address'],
    ['a mail server by another protocol', { PEMBIT_SMTP_URL: 'http://mail.example' }, 'PEMBIT_SMTP_URL: must begin with smtp:// or smtps://'],
    ['a short token for the figures', { PEMBIT_METRICS_TOKEN: 'short' }, 'PEMBIT_METRICS_TOKEN: must have 16 characters or more'],
    ['a network that is none', { PEMBIT_ALLOW_HOSTS: '10.0.0.0/99' }, 'PEMBIT_ALLOW_HOSTS: must name hosts or networks'],
    ['a port that is none', { PORT: '70000' }, 'PORT: '],
  ])('%s is refused by name', (_, env, sentence) => expect(() => readConfig(env)).toThrow(sentence)); // prettier-ignore

  test('a name that is not known is named; everybody else’s are their own business', () =>
    expect(readConfig({ PEMBIT_SMTP_URI: 'x', PEMBIT_LOG: 'warn', PATH: '/bin' }).unknownNames).toEqual(['PEMBIT_SMTP_URI'])); // prettier-ignore

  test.each<[string, Record<string, string>, string | undefined]>([
    ['all addresses, usually', {}, undefined],
    ['this machine alone behind a proxy', { PEMBIT_PROXY: '1' }, '127.0.0.1'],
    ['what is said', { PEMBIT_PROXY: '1', HOST: '10.0.0.5' }, '10.0.0.5'],
  ])('it listens on %s', (_, env, host) => expect(readConfig(env).host).toBe(host));

  test('hosts of the school’s own are a list', () =>
    expect(readConfig({ PEMBIT_ALLOW_HOSTS: 'calendar.internal, 10.20.0.0/16' }).allowedHosts).toEqual(['calendar.internal', '10.20.0.0/16'])); // prettier-ignore
});
