import { afterAll, beforeAll, expect, test } from 'vitest';
import { connectTo, select } from '@/data/database';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../support/api';
import { newPerson } from './browser';
import type { SeveralProcesses } from './severalProcesses';
import { leaveOldChunk, startSeveral } from './severalProcesses';
import { tellStory } from './story';

let several: SeveralProcesses;
beforeAll(async () => {
  several = await startSeveral();
});
afterAll(() => several.stop());

test('the whole story, through two processes on PostgreSQL behind nginx', () =>
  tellStory({ pembit: several.url, standins: several.standinsUrl }));

test('processes are restarted in turn while people write: nothing that was acknowledged is lost, and a form that was open is saved', async () => {
  const maren = await newPerson();
  try {
    await maren.open(several.url);
    await maren.click('button', 'Sign in as Maren Toft');
    await maren.sees('What waits for you');
    await maren.open(`${several.url}/term`);
    await maren.click('cell', /^week 12, Tue 24 Nov/);
    await maren.type('Title', 'Begun before the restart');
    await maren.click('field', 'HL Hull lofting');
    leaveOldChunk(several, 'of-an-earlier-build.js', 'export {};');

    const program = await signedIn(several.url, 'maren@kittiwake.example');
    let restarting = true;
    const acknowledged: string[] = [];
    const failed: number[] = [];
    const writing = (async () => {
      for (let i = 0; restarting; i++) {
        const title = `Written ${i}`;
        const saved = await program.call('POST', '/api/entries', {
          kind: 'event',
          title,
          start: '2026-11-26T10:00',
          audience: [{ course: demoId('HL 210') }],
        });
        if (saved.status === 201) acknowledged.push(title);
        else failed.push(saved.status);
      }
    })();
    await several.restartInTurn();
    restarting = false;
    await writing;
    expect(failed).toEqual([]);
    expect(acknowledged.length).toBeGreaterThan(5);
    const sequelize = connectTo(several.databaseUrl);
    const rows = await select<{ title: string }>(
      { sequelize },
      `SELECT title FROM entries WHERE title LIKE 'Written %'`,
    );
    await sequelize.close();
    expect(rows.map(({ title }) => title).sort()).toEqual(acknowledged.sort());

    await maren.click('button', /^Save for 38 students/);
    await maren.sees('Added Begun before the restart');
    const old = await fetch(`${several.url}/_next/static/of-an-earlier-build.js`);
    expect([old.status, await old.text()]).toEqual([200, 'export {};']);
  } finally {
    await maren.quit();
  }
});

test('a process that dies is left out at once, a database that is gone is said; feeds for all are read while every process is down, those of one person are not', async () => {
  const other = await startSeveral({ cache: true });
  try {
    const { call } = await signedIn(other.url, 'maren@kittiwake.example');
    const outlets = (await (await call('GET', '/api/outlets')).json()) as {
      audience: string;
      kind: string;
      url: string;
    }[];
    const addressOf = (audience: string) =>
      outlets.find((one) => one.kind === 'feed' && one.audience === audience)!.url;
    const [open, own] = [addressOf('public'), addressOf('personal')];
    const read = async (url: string) => (await fetch(url)).status;
    expect([await read(open), await read(own)]).toEqual([200, 200]);

    await other.server(other.ports[0]!).kill();
    const pages = await Promise.all(Array.from({ length: 20 }, () => read(`${other.url}/sign-in`)));
    expect(new Set(pages)).toEqual(new Set([200]));
    const entry = {
      kind: 'event',
      title: 'By the other',
      start: '2026-11-26T10:00',
      audience: [{ course: demoId('HL 210') }],
    };
    const saved = await call('POST', '/api/entries', entry);
    expect(saved.status).toBe(201);

    await other.stopDatabase();
    const unsaved = await call('POST', '/api/entries', entry);
    expect([unsaved.status, ((await unsaved.json()) as { type: string }).type]).toEqual([
      503,
      'urn:pembit:problem:databaseAway',
    ]);

    await other.server(other.ports[1]!).kill();
    expect([await read(open), await read(own)]).toEqual([200, 502]);
  } finally {
    await other.stop();
  }
});
