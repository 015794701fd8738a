import type { HistoryId } from '@/core/ids';
import type { Sequelize } from 'sequelize';
import { afterEach, beforeEach, expect, inject, test, vi } from 'vitest';
import { newDatabase } from '../../../tests/support/postgres';
import { connectTo, select } from '../database';
import { insertEvents } from '../events/events';
import { run } from '../statements';
import type { Reader, Writer } from '../reader';
import type { WriteQueue } from '../writeQueue';
import { createPostgresQueue } from './postgresQueue';

/** Two processes as they are for the database: each with its own connections and its own queue. */
let here: Sequelize;
let there: Sequelize;
let ours: WriteQueue;
let theirs: WriteQueue;
let url: string;
let giveBack: () => Promise<void>;

beforeEach(async () => {
  ({ url, giveBack } = await newDatabase(inject('postgresUrl')!));
  [here, there] = [connectTo(url), connectTo(url)];
  [ours, theirs] = await Promise.all([createPostgresQueue(here, url), createPostgresQueue(there, url)]);
});
afterEach(async () => {
  for (const queue of [ours, theirs]) await queue.drained().then(queue.close);
  await Promise.all([here.close(), there.close()]);
  await giveBack();
});

const nothing = () => Promise.resolve();
/** A promise and what resolves it. */
function gate(): Readonly<{ opened: Promise<void>; open: () => void }> {
  let open = () => undefined as void;
  return { opened: new Promise<void>((resolve) => (open = resolve)), open: () => open() };
}
const count = async () =>
  Number(
    (await select<{ value: number }>({ sequelize: here }, `SELECT value FROM stamps WHERE scope = 'n'`))[0]
      ?.value ?? 0,
  );
const add = async (writer: Writer) => {
  // What was read, and one more: two who read the same lose one.
  const [row] = await select<{ value: number }>(writer, `SELECT value FROM stamps WHERE scope = 'n'`);
  await run(
    writer,
    `INSERT INTO stamps (scope, value, changed_at) VALUES ('n', :value, 0) ON CONFLICT (scope) DO UPDATE SET value = excluded.value`,
    { value: (row?.value ?? 0) + 1 },
  );
};

test('writes of two processes about the same wait for each other: none is lost', async () => {
  const queues = Array.from({ length: 60 }, (_, i) => (i % 2 ? ours : theirs));
  await Promise.all(queues.map((queue, i) => queue.write(add, i % 3 ? { locks: ['sheet:1'] } : {})));
  expect(await count()).toBe(60);
});

test('writes about other things do not wait, whichever process they are of', async () => {
  const { opened, open } = gate();
  const long = ours.write(() => opened, { locks: ['sheet:1'] });
  await theirs.write(nothing, { locks: ['sheet:2'] });
  await ours.write(nothing, { locks: ['sheet:3', 'person:1'] });
  await theirs.write(nothing, { locks: [] });
  let isThrough = false;
  const same = theirs.write(nothing, { locks: ['sheet:1'] }).then(() => (isThrough = true));
  const everything = theirs.write(nothing).then(() => (isThrough = true));
  await theirs.write(nothing, { locks: [] });
  expect(isThrough).toBe(false);
  open();
  await Promise.all([long, same, everything]);
});

test('more writes than connections, each of which reads beside itself: nobody waits for ever', async () => {
  const writes = Array.from({ length: 40 }, (_, i) =>
    ours.write(
      async (writer) => {
        await select({ sequelize: here }, 'SELECT 1');
        await add(writer);
      },
      { locks: [`sheet:${i % 20}`, 'n'] },
    ),
  );
  await Promise.all(writes);
  expect(await count()).toBe(40);
});

test('a commit outdates what another process has read, what it says and no more', async () => {
  const before = { a: theirs.versionFor(['a']), b: theirs.versionFor(['b']), all: theirs.version() };
  await ours.write(nothing, { outdates: () => ['a'] });
  await vi.waitFor(() => expect(theirs.version()).toBe(ours.version()));
  expect(theirs.versionFor(['a'])).not.toBe(before.a);
  expect(theirs.versionFor(['b'])).toBe(before.b);
  expect(theirs.version()).toBeGreaterThan(before.all);
  await ours.write(nothing);
  await vi.waitFor(() => expect(theirs.versionFor(['b'])).not.toBe(before.b));
  // More scopes than an announcement holds outdate everything.
  const b = theirs.versionFor(['b']);
  await ours.write(nothing, {
    outdates: () => Array.from({ length: 500 }, (_, i) => `person:${i}-${'x'.repeat(30)}`),
  });
  await vi.waitFor(() => expect(theirs.versionFor(['b'])).not.toBe(b));
});

test('while a process does not hear of others nothing it has read holds; once it hears again, what was committed meanwhile counts', async () => {
  const before = theirs.versionFor(['a']);
  const hears = (queue: WriteQueue) => queue.versionFor(['a']) === queue.versionFor(['a']);
  const deaf = (async () => {
    while (hears(theirs)) await new Promise((resolve) => setImmediate(resolve));
  })();
  // What a connection that listens has asked last is the number of the last commit.
  await select(
    { sequelize: here },
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
     WHERE datname = current_database() AND pid <> pg_backend_pid() AND query LIKE '%scope = ''commits''%'`,
  );
  await deaf;
  await ours.write(nothing, { outdates: () => ['a'] });
  await vi.waitFor(() => expect([hears(ours), hears(theirs)]).toEqual([true, true]), 10_000);
  // It may have heard again before the commit, which is then told to it a moment later.
  await vi.waitFor(() => expect(theirs.versionFor(['a'])).not.toBe(before));
  expect(theirs.version()).toBe(ours.version());
});

test('a write whose connection is lost before it was to be committed is done again, once', async () => {
  let tried = 0;
  await ours.write(async (writer) => {
    await add(writer);
    if (++tried === 1) {
      const [row] = await select<{ pid: number }>(writer, 'SELECT pg_backend_pid() AS pid');
      await there.query(`SELECT pg_terminate_backend(${row!.pid})`);
    }
    await add(writer);
  });
  expect(tried).toBe(2);
  expect(await count()).toBe(2);
});

test('what fails leaves nothing, and its own fault is not tried again', async () => {
  let tried = 0;
  const failing = ours.write(async (writer) => {
    tried++;
    await add(writer);
    throw new Error('refused');
  });
  await expect(failing).rejects.toThrow('refused');
  expect([tried, await count()]).toEqual([1, 0]);
});

/** Two writes, each of which tells of something, and goes on for a while before it is committed. */
const tells = (subject: string, meanwhile: () => Promise<unknown>) => (queue: WriteQueue) =>
  queue.write(
    async (writer) => {
      const happening = {
        type: 'acted',
        subject,
        scopes: [`course:${subject}`],
        payload: { act: subject },
      } as const;
      await insertEvents(writer, { atMs: 1, actor: null, history: subject as HistoryId }, [happening]);
      await meanwhile();
    },
    { locks: [`course:${subject}`] },
  );
const eventsAfter = (id: number) =>
  select<{ id: number; subject: string }>(
    { sequelize: here },
    'SELECT id, subject FROM events WHERE id > :id ORDER BY id',
    { id },
  );

test('what was numbered first is committed first: a later number is not to be seen before it', async () => {
  const [numbered, committed] = [gate(), gate()];
  const slow = tells('slow', () => {
    numbered.open();
    return committed.opened;
  })(ours);
  await numbered.opened;
  const quick = tells('quick', nothing)(theirs);
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await eventsAfter(0)).toEqual([]);
  committed.open();
  await Promise.all([slow, quick]);
  expect((await eventsAfter(0)).map(({ subject }) => subject)).toEqual(['slow', 'quick']);
});

test('whoever reads on from the last number they have seen misses nothing of two processes', async () => {
  const subjects = Array.from({ length: 40 }, (_, i) => `course ${i}`);
  const pause = () => new Promise((resolve) => setTimeout(resolve, Math.random() * 8));
  let done = false;
  const writing = Promise.all(
    subjects.map(async (subject, i) => {
      await pause();
      await tells(subject, pause)(i % 2 ? ours : theirs);
    }),
  ).then(() => (done = true));
  const read: string[] = [];
  let cursor = 0;
  for (let last = false; !last;) {
    last = done;
    for (const { id, subject } of await eventsAfter(cursor)) {
      read.push(subject);
      cursor = id;
    }
  }
  await writing;
  expect(read.sort()).toEqual(subjects.sort());
});

test('a table that another process changes disturbs neither reads nor changes that were prepared before', async () => {
  const all = (reader: Reader) => select<object>(reader, 'SELECT * FROM things');
  await there.query('CREATE TABLE things (a TEXT)');
  await there.query(`INSERT INTO things VALUES ('x')`);
  // Each of ours that is in use has prepared it, for reading and in changes.
  await Promise.all(Array.from({ length: 8 }, () => all({ sequelize: here })));
  await Promise.all(Array.from({ length: 4 }, () => ours.write(all, { locks: [] })));
  await there.query('ALTER TABLE things ADD COLUMN b TEXT');
  const rows = [{ a: 'x', b: null }];
  for (const read of await Promise.all(Array.from({ length: 8 }, () => all({ sequelize: here }))))
    expect(read).toEqual(rows);
  await there.query('ALTER TABLE things ADD COLUMN c TEXT');
  expect(await ours.write(all)).toEqual([{ ...rows[0], c: null }]);
});
