/** One table of everything that was measured, as text and as JSON. */

export type Figure = Readonly<{
  what: string;
  value: number;
  unit: string;
  /** The same work without Pembit, in the same run. */
  floor?: number;
  /** How `value` may stand to `floor`, or, without a floor, `value` itself. */
  goal?: Readonly<{ most: number } | { least: number }>;
}>;

const rounded = (n: number): string => (Math.abs(n) >= 100 ? n.toFixed(0) : Math.abs(n) >= 1 ? n.toFixed(1) : n.toFixed(3)); // prettier-ignore

export const ratioOf = ({ value, floor }: Figure): number | undefined =>
  floor === undefined ? undefined : value / floor;

export function isMet(figure: Figure): boolean | undefined {
  const { goal } = figure;
  if (!goal) return undefined;
  const judged = ratioOf(figure) ?? figure.value;
  return 'most' in goal ? judged <= goal.most : judged >= goal.least;
}

export const shareOf = (times: readonly number[], share: number): number => {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
};

/** Lines of a Markdown table. */
export function table(figures: readonly Figure[]): string {
  const lines = figures.map((figure) => {
    const { what, value, unit, floor, goal } = figure;
    const ratio = ratioOf(figure);
    const meant = !goal ? '' : 'most' in goal ? `at most ${rounded(goal.most)}` : `at least ${rounded(goal.least)}`;
    const met = isMet(figure);
    return `| ${what} | ${rounded(value)} ${unit} | ${floor === undefined ? '' : `${rounded(floor)} ${unit}`} | ${ratio === undefined ? '' : rounded(ratio)} | ${meant} | ${met === undefined ? '' : met ? 'yes' : 'no'} |`;
  });
  return ['| what | measured | floor | of the floor | meant | met |', '| --- | --- | --- | --- | --- | --- |', ...lines].join('\n');
} // prettier-ignore

/** Median of some rounds, in milliseconds, after a few that warm up. */
export async function median(work: () => unknown, rounds = 20): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < rounds + 5; i++) {
    const began = performance.now();
    await work();
    if (i >= 5) times.push(performance.now() - began);
  }
  return shareOf(times, 0.5);
}
