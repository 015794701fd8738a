/** What of Pembit is used, in numbers; "lately" is since an instant. */
export type Usage = Readonly<{
  people: number;
  /** Who signed in lately. */
  came: number;
  outlets: number;
  /** How often outlets were read lately. */
  reads: number;
  /** Letters sent lately, and those given up. */
  letters: number;
  failed: number;
  files: number;
}>;
