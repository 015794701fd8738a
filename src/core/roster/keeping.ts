/** Whoever is on the school's list no more stays so long: lists are wrong for a day more often than students leave. In hours. */
export const STAYS_HOURS = 48;
const STAYS_MS = STAYS_HOURS * 3_600_000;

/** So few may always go; of more, at most this part of those who came from the list. */
const FEW = 3;
const PART = 0.25;

/** Whether a list would take away so many that somebody should look first: `known` came from such a list, `gone` are not on it. */
export const isHeldBack = ({ known, gone }: Readonly<{ known: number; gone: number }>): boolean =>
  gone > FEW && gone > known * PART;

export type Absences<P extends string> = Readonly<{
  /** Who is missing still, and since when, in epoch milliseconds. */
  since: ReadonlyMap<P, number>;
  /** Who has been missing for so long that they are taken off. */
  off: readonly P[];
}>;

/** What becomes of those who are not on a list: whoever is on it again is as if they had never been missing. */
export function absencesOf<P extends string>(
  before: ReadonlyMap<P, number>,
  gone: readonly P[],
  nowMs: number,
): Absences<P> {
  const since = new Map(gone.map((person) => [person, before.get(person) ?? nowMs]));
  const off = gone.filter((person) => nowMs - since.get(person)! >= STAYS_MS);
  for (const person of off) since.delete(person);
  return { since, off };
}
