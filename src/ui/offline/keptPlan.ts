/** So many days are kept: four weeks. */
export const KEPT_DAYS = 28;

/** A line of a kept plan: plain text, its links, and the entry that can be ticked as done. */
export type KeptLine = Readonly<{
  time: string;
  tags: string;
  title: string;
  detail: string;
  /** What stands on the day sheet under it, as plain text; empty: nothing. */
  text: string;
  links: readonly Readonly<{ url: string; label: string }>[];
  /** Of due work. */
  work?: string;
}>;

/** The plan that a device keeps for when there is no connection: as the student's home shows it. */
export type KeptDays = Readonly<{
  person: string;
  /** ISO 8601, by the device's clock. */
  savedAt: string;
  /** How its reader chose to have dates and times written (BCP 47). */
  locale: string;
  days: readonly Readonly<{ heading: string; lines: readonly KeptLine[] }>[];
}>;

/** Where it is kept, and ticks that were made without a connection; the page that draws it knows these names, too. */
export const KEPT = { database: 'pembit', version: 2, store: 'kept', key: 'next', ticks: 'ticks' } as const;

const opened = (): Promise<IDBDatabase> =>
  new Promise((done, fail) => {
    const open = indexedDB.open(KEPT.database, KEPT.version);
    open.onupgradeneeded = () => {
      for (const store of [KEPT.store, KEPT.ticks])
        if (!open.result.objectStoreNames.contains(store)) open.result.createObjectStore(store);
    };
    open.onerror = () => fail(open.error ?? new Error('The plan could not be kept.'));
    open.onsuccess = () => done(open.result);
  });

const finished = (change: IDBTransaction): Promise<void> =>
  new Promise((done, fail) => {
    change.oncomplete = () => done();
    change.onerror = () => fail(change.error ?? new Error('The plan could not be kept.'));
  });

/** Puts a plan in the place of the one before. */
export async function keepDays(days: KeptDays): Promise<void> {
  const database = await opened();
  const change = database.transaction(KEPT.store, 'readwrite');
  change.objectStore(KEPT.store).put(days, KEPT.key);
  await finished(change);
  database.close();
}

/** A tick that was made without a connection. */
export type KeptTick = Readonly<{ person: string; entry: string; done: boolean }>;

/**
 * Sends the ticks that somebody made without a connection, each once: what was sent is forgotten, what could not be stays for
 * the next time. Answers how many were sent.
 */
export async function sendTicks(person: string, send: (tick: KeptTick) => Promise<boolean>): Promise<number> {
  const database = await opened();
  const read = database.transaction(KEPT.ticks).objectStore(KEPT.ticks).getAll() as IDBRequest<KeptTick[]>;
  await finished(read.transaction!);
  let sent = 0;
  for (const tick of read.result) {
    // Somebody else's, on a device that is shared: not theirs to send.
    if (tick.person === person && !(await send(tick))) continue;
    const change = database.transaction(KEPT.ticks, 'readwrite');
    change.objectStore(KEPT.ticks).delete(tick.entry);
    await finished(change);
    if (tick.person === person) sent += 1;
  }
  database.close();
  return sent;
}

/** Takes the plan off the device: whoever signs out leaves nothing behind. */
export function eraseKept(): Promise<void> {
  return new Promise((done) => {
    const gone = indexedDB.deleteDatabase(KEPT.database);
    gone.onsuccess = gone.onerror = gone.onblocked = () => done();
  });
}
