/** Numbers from 0 up to 1 that are the same for the same seed (mulberry32). */
export function randomOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** What one part of the torture found: a sentence of what was done, and what is wrong. */
export type Report = Readonly<{ sentence: string; faults: readonly string[] }>;
