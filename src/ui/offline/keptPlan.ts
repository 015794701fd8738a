/** The plan that a device keeps for when there is no connection: plain text, as the student's home shows it. */
export type KeptDays = Readonly<{
  person: string;
  /** ISO 8601, by the device's clock. */
  savedAt: string;
  title: string;
  days: readonly Readonly<{
    heading: string;
    lines: readonly Readonly<{ time: string; tags: string; title: string; detail: string }>[];
  }>[];
}>;

/** Where it is kept; the page that draws it knows these names, too. */
export const KEPT = { database: 'pembit', store: 'kept', key: 'next' } as const;

/** Puts a plan in the place of the one before. */
export function keepDays(days: KeptDays): Promise<void> {
  return new Promise((done, fail) => {
    const open = indexedDB.open(KEPT.database, 1);
    open.onupgradeneeded = () => open.result.createObjectStore(KEPT.store);
    open.onerror = () => fail(open.error ?? new Error('The plan could not be kept.'));
    open.onsuccess = () => {
      const change = open.result.transaction(KEPT.store, 'readwrite');
      change.objectStore(KEPT.store).put(days, KEPT.key);
      change.oncomplete = () => {
        open.result.close();
        done();
      };
      change.onerror = () => fail(change.error ?? new Error('The plan could not be kept.'));
    };
  });
}

/** Takes the plan off the device: whoever signs out leaves nothing behind. */
export function eraseKept(): Promise<void> {
  return new Promise((done) => {
    const gone = indexedDB.deleteDatabase(KEPT.database);
    gone.onsuccess = gone.onerror = gone.onblocked = () => done();
  });
}
