/** What was read under the same version still holds. */
export type Versions = Readonly<{
  /** Grows with every write that was committed, those aside excepted. */
  version: () => number;
  /** The same for reads that hang on some scopes alone: changes with the writes that outdate one of them, or everything. */
  versionFor: (scopes: readonly string[]) => string;
  /** A write was committed under a number that no earlier one had; without scopes it outdates everything. */
  outdate: (number: number, scopes: readonly string[] | undefined) => void;
  /** Whether one learns of what others write; while not, no version is like the one before, and nothing that was read is kept. */
  setKnowing: (knows: boolean) => void;
}>;

export function createVersions(): Versions {
  let version = 0;
  let everything = 0;
  let scoped = new Map<string, number>();
  let knows = true;
  let unknown = 0;
  return {
    version: () => (knows ? version : --unknown),
    versionFor: (scopes) =>
      knows
        ? `${everything} ${Math.max(0, ...scopes.map((scope) => scoped.get(scope) ?? 0))}`
        : `unknown ${--unknown}`,
    outdate(number, scopes) {
      version = Math.max(version, number);
      if (scopes) for (const scope of scopes) scoped.set(scope, Math.max(number, scoped.get(scope) ?? 0));
      else {
        everything = Math.max(everything, number);
        // What was told of a later write meanwhile stays: it may come before the answer to what number was the last.
        scoped = new Map([...scoped].filter(([, of]) => of > everything));
      }
    },
    setKnowing: (now) => void (knows = now),
  };
}
