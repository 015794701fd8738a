/** What a write decides about; undefined: about everything. */
export type Locks = readonly string[] | undefined;

const areApart = (a: Locks, b: Locks): boolean => {
  if (a?.length === 0 || b?.length === 0) return true;
  return a !== undefined && b !== undefined && !a.some((lock) => b.includes(lock));
};

type Asking = Readonly<{ locks: Locks; admit: () => void }>;

/**
 * Lets writes of one process begin that are not in each other's way, at most `most` of them at once, in the order in which they
 * came: nobody passes somebody whom they would have to wait for. They wait here, without a connection. `enter` answers what is
 * called when the write is over.
 */
export function createAdmission(most: number) {
  const running = new Set<Asking>();
  let waiting: Asking[] = [];

  const admitThose = () => {
    const still: Asking[] = [];
    for (const asking of waiting) {
      const isFree = [...running, ...still].every(({ locks }) => areApart(locks, asking.locks));
      if (isFree && running.size < most) {
        running.add(asking);
        asking.admit();
      } else still.push(asking);
    }
    waiting = still;
  };

  return {
    enter: (locks: Locks): Promise<() => void> =>
      new Promise((resolve) => {
        const asking: Asking = {
          locks,
          admit: () =>
            resolve(() => {
              running.delete(asking);
              admitThose();
            }),
        };
        waiting.push(asking);
        admitThose();
      }),
  };
}
