/** What goes where when a section is merged into another. */
export type MergePreview = Readonly<{
  from: string;
  into: string;
  students: number;
  /** Classes of its own that are gone. */
  classes: number;
  /** Plans that stand in this section alone: they wait for a class in the other. */
  waiting: readonly string[];
  /** Entries and sign-up sheets for it alone, which the whole other section sees then. */
  entries: readonly string[];
  sheets: readonly string[];
  /** Times taken on them; they stay. */
  taken: number;
  /** Published feeds and embeds that show it. */
  outlets: readonly string[];
}>;
