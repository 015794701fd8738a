/** A link as it is typed; one to a material has its title beside it, and a label only where it has one of its own. */
export type DraftLink = Readonly<{
  url: string;
  label: string;
  staffOnly: boolean;
  material?: string;
  /** An attached file; its label is its name. */
  file?: string;
  /** What the material is called. */
  title?: string;
  /** How it answered when it was last tested; shown beside it. */
  state?: string;
}>;
type Seen = Readonly<{
  url: string;
  label: string;
  staffOnly: boolean;
  material?: string;
  file?: string;
  titled?: boolean;
  state?: string;
}>;

/** Links as they are shown, as editing them begins. */
export const draftLinks = (links: readonly Seen[]): readonly DraftLink[] =>
  links.map(({ url, label, staffOnly, material, file, titled, state }) => {
    const known = state ? { staffOnly, state } : { staffOnly };
    if (material) return { url: '', label: titled ? '' : label, material, title: label, ...known };
    return file ? { url: '', label, file, ...known } : { url, label, ...known };
  });

/** What is sent of them: empty lines are left out. */
export const sentLinks = (links: readonly DraftLink[]) =>
  links
    .filter(({ url, material, file }) => material ?? file ?? url.trim())
    .map(({ url, label, staffOnly, material, file }) => {
      if (material) return { label, staffOnly, material };
      return file ? { label, staffOnly, file } : { url: url.trim(), label, staffOnly };
    });

/** A material as a new link. */
export const materialLink = ({ id, title }: Readonly<{ id: string; title: string }>): DraftLink => ({
  url: '',
  label: '',
  staffOnly: false,
  material: id,
  title,
});
