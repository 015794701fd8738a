import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { beforeEach, describe, expect, test } from 'vitest';
import type { EntryId, FileId, HistoryId, PersonId } from '@/core/ids';
import { databaseFile, select } from '@/data/database';
import { entryById } from '@/data/entries/entries';
import { personById, viewerOf } from '@/data/people/people';
import { readConfig } from '@/server/config';
import { undoChange } from '@/server/history/undoChange';
import { readableFile } from '@/server/materials/readableFile';
import { openPembit } from '@/server/openPembit';
import { createOutletAnswerer } from '@/server/outlets/answerOutlet';
import type { Pembit } from '@/server/pembit';

/** What was known of a data folder when the version that made it was the latest. */
type Known = Readonly<{
  secret: string;
  files: Readonly<Record<string, string>>;
  student: PersonId;
  instructor: PersonId;
  entries: Readonly<Record<'launch' | 'work' | 'weekly' | 'atClass' | 'gone' | 'note', EntryId>>;
  outlets: readonly string[];
  feeds: Readonly<Record<string, Readonly<Record<string, number>>>>;
  bookings: readonly object[];
  undoable: Readonly<Record<string, HistoryId>>;
  file: FileId;
}>;

/** Data folders of earlier versions: before there were events. */
const FOLDERS = ['beforeEvents'] as const;
const UPGRADE = path.join(import.meta.dirname, '../upgrade');

describe.each(FOLDERS)('a data folder from %s', (name) => {
  const known = JSON.parse(readFileSync(path.join(UPGRADE, `${name}.json`), 'utf8')) as Known;
  let folder = '';
  let pembit: Pembit;
  beforeEach(async () => {
    folder = mkdtempSync(path.join(tmpdir(), 'pembit-upgrade-'));
    writeFileSync(databaseFile(folder), gunzipSync(readFileSync(path.join(UPGRADE, `${name}.sqlite.gz`))));
    writeFileSync(path.join(folder, 'secret'), known.secret);
    for (const [file, bytes] of Object.entries(known.files)) {
      mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
      writeFileSync(path.join(folder, file), Buffer.from(bytes, 'base64'));
    }
    pembit = await openPembit(readConfig({ PEMBIT_DATA: folder, PEMBIT_NOW: '2026-10-13T12:10:00Z' }));
    return async () => {
      await pembit.close();
      rmSync(folder, { recursive: true, force: true });
    };
  });

  const signedIn = async (id: PersonId) => ({
    person: (await personById(pembit, id))!,
    viewer: await viewerOf(pembit, id, pembit.now()),
    session: '',
  });
  const ask = (address: string) =>
    createOutletAnswerer(pembit)({ method: 'GET', path: address, query: '', headers: {} });

  /** The highest sequence of each UID that a feed has. */
  async function sequencesOf(address: string): Promise<Map<string, number>> {
    const { body } = await ask(address);
    const text = Buffer.from(body as Uint8Array).toString().replace(/\r\n /g, ''); // prettier-ignore
    const found = new Map<string, number>();
    for (const part of text.split('BEGIN:VEVENT').slice(1)) {
      const uid = /UID:(.+)/.exec(part)![1]!.trim();
      found.set(uid, Math.max(found.get(uid) ?? 0, Number(/SEQUENCE:(\d+)/.exec(part)?.[1] ?? 0)));
    }
    return found;
  }

  test('answers at every address, with every UID, no sequence lower than it was', async () => {
    for (const address of known.outlets) expect((await ask(address)).status, address).toBe(200);
    for (const [address, uids] of Object.entries(known.feeds)) {
      const now = await sequencesOf(address);
      for (const [uid, sequence] of Object.entries(uids))
        expect(now.get(uid) ?? -1, `${uid} of ${address}`).toBeGreaterThanOrEqual(sequence);
    }
  });

  test('keeps its bookings, files and entries', async () => {
    expect(await select(pembit, 'SELECT id, slot_id, person_id, seat FROM bookings')).toEqual(known.bookings);
    expect(await readableFile(pembit, (await signedIn(known.instructor)).viewer, known.file)).toMatchObject({
      ok: true,
    });
    const work = await entryById(pembit, known.entries.work);
    expect(work).toMatchObject({ title: 'Half-breadth plan', extensions: [{ person: known.student }] });
    expect(await entryById(pembit, known.entries.gone)).toBeUndefined();
  });

  test('lets each act be undone by whoever did it', async () => {
    for (const [what, id] of Object.entries(known.undoable)) {
      const [row] = await select<{ actor_id: PersonId }>(pembit, 'SELECT actor_id FROM history WHERE id = :id', { id }); // prettier-ignore
      expect(await undoChange(pembit, await signedIn(row!.actor_id), id), what).toMatchObject({ ok: true });
    }
    const work = await entryById(pembit, known.entries.work);
    expect(work).toMatchObject({ due: { wall: expect.anything() } });
  });
});
