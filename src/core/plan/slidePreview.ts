/** What a slide would do, in words: every from and to. */
export type SlidePreview = Readonly<{
  /** How many plans move; in sections that move alike one line stands for all. */
  plans: number;
  moves: readonly Readonly<{
    plan: string;
    title: string;
    section: string;
    from: string;
    to: string;
    fits: boolean;
  }>[];
  follows: readonly Readonly<{ title: string; from: string; to: string }>[];
  offered: readonly Readonly<{ id: string; title: string; from: string; to: string }>[];
}>;
