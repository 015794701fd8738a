import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, get } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { freePort, startServer } from '../../scripts/serverProcess';
import { demoId } from '@/server/demo/demoIds';
import { anonymous, signedIn } from '../support/api';
import { newPerson } from './browser';

const folder = mkdtempSync(path.join(tmpdir(), 'pembit-stopping-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('SIGTERM answers what has been asked, keeps what was written, and lets the next process begin', async () => {
  const first = await startServer({ PEMBIT_DATA: folder });
  const maren = await signedIn(first.url, 'maren@kittiwake.example');
  const body = { kind: 'announcement', title: 'The loft stays open', on: '2026-10-20', audience: [{ course: demoId('HL 210') }] }; // prettier-ignore
  const entries = Array.from({ length: 10 }, () => maren.call('POST', '/api/entries', body));
  // Checking a password takes a few hundred milliseconds: it is under way when the signal comes.
  const credentials = { email: 'ivo@kittiwake.example', password: 'pembit-demo-2026' };
  const slow = anonymous(first.url).call('POST', '/api/session', credentials);
  await Promise.all(entries.slice(0, 5));
  const [answers, session] = await Promise.all([Promise.all(entries), slow, first.stop()]);
  expect(answers.map(({ status }) => status)).toEqual(Array(10).fill(201));
  expect(session.status).toBe(200);
  await expect(fetch(`${first.url}/api/health`)).rejects.toThrow();

  const second = await startServer({ PEMBIT_DATA: folder });
  try {
    const again = await signedIn(second.url, 'maren@kittiwake.example');
    const seen = await (await again.call('GET', '/api/occurrences?from=2026-10-20&to=2026-10-20')).text();
    expect(seen.match(/The loft stays open/g)).toHaveLength(10);
    const health = (await (await again.call('GET', '/api/health')).json()) as { ready: boolean; jobLagSeconds: number }; // prettier-ignore
    expect(health.ready).toBe(true);
    expect(health.jobLagSeconds).toBeGreaterThanOrEqual(0);
  } finally {
    await second.stop();
  }
});

test('a connection that nobody used for longer than five seconds is still answered, and a stop does not wait for it', async () => {
  const server = await startServer({ PEMBIT_DATA: folder });
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = () =>
    new Promise<boolean>((resolve, reject) => {
      const asked = get(`${server.url}/api/health`, { agent }, (answer) =>
        answer.resume().on('end', () => resolve(asked.reusedSocket)),
      );
      asked.on('error', reject);
    });
  try {
    await ask();
    await new Promise((resolve) => setTimeout(resolve, 7000));
    expect(await ask()).toBe(true);
  } finally {
    await server.stop();
    agent.destroy();
  }
});

test('when nobody reads the log any more, the server goes on and is idle between requests', async () => {
  const server = await startServer({ PEMBIT_DATA: folder, PEMBIT_LOG: 'debug' });
  try {
    // After the start it loads its pages, all of them, while it answers already.
    await expect
      .poll(server.output, { timeout: 60_000 })
      .toMatch(/"pages":[1-9]\d+,"msg":"All pages are loaded"/);
    server.deafen();
    for (let i = 0; i < 20; i++) expect((await fetch(`${server.url}/sign-in`)).status).toBe(200);
    // In clock ticks, a hundred a second: what the process itself has worked, whatever else the machine does.
    const worked = () => {
      const fields = readFileSync(`/proc/${server.pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
      return Number(fields[11]) + Number(fields[12]);
    };
    const before = worked();
    await new Promise((resolve) => setTimeout(resolve, 3000));
    expect(worked() - before).toBeLessThan(150);
    expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
  } finally {
    await server.stop();
  }
});

test('while the server is gone what was typed stays, the page says so, and it goes on by itself when it is back', async () => {
  const port = { PORT: String(await freePort()), PEMBIT_DATA: folder };
  let server = await startServer(port);
  const person = await newPerson();
  try {
    await person.open(`${server.url}/sign-in`);
    await person.click('button', 'Sign in as Maren Toft');
    await person.sees('What waits for you');
    await person.open(`${server.url}/account`);
    await person.find('button', 'Save');
    await server.kill();
    // What may be written twice is sent again by itself until the server is back.
    await person.choose('How times are written', '12 hours (5:00 pm)');
    await person.click('button', 'Save');
    await person.sees('Pembit does not answer just now');
    server = await startServer(port);
    await person.sees('Saved your settings');
    await person.doesNotSee('Pembit does not answer just now');

    // An entry could be planned twice: it stays in the form, with a sentence, until it is sent again.
    await person.open(`${server.url}/term`);
    const cell = await person.find('cell', /^week 7, Wed 21 Oct/);
    await person.driver.executeScript('arguments[0].focus()', cell);
    await person.press('O');
    await person.type('Title', 'Open loft');
    await person.click('field', 'HL Hull lofting');
    await server.kill();
    await person.click('button', /^Save for/);
    await person.sees('Nothing is lost: try again in a moment');
    server = await startServer(port);
    await person.doesNotSee('Pembit does not answer just now');
    await person.driver.navigate().refresh();
    expect(await (await person.find('field', 'Title')).getAttribute('value')).toBe('Open loft');
    await person.click('button', /^Save for/);
    await person.sees('Added Open loft');
  } finally {
    await person.quit();
    await server.stop();
  }
});
