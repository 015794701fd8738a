/** A link as it is typed; one to a material has its title beside it, and a label only where it has one of its own. */
export type DraftLink = Readonly<{
  url: string;
  label: string;
  staffOnly: boolean;
  material?: string;
  /** What the material is called. */
  title?: string;
}>;
type Seen = Readonly<{ url: string; label: string; staffOnly: boolean; material?: string; titled?: boolean }>;

/** Links as they are shown, as editing them begins. */
export const draftLinks = (links: readonly Seen[]): readonly DraftLink[] =>
  links.map(({ url, label, staffOnly, material, titled }) =>
    material
      ? { url: '', label: titled ? '' : label, staffOnly, material, title: label }
      : { url, label, staffOnly },
  );

/** What is sent of them: empty lines are left out. */
export const sentLinks = (links: readonly DraftLink[]) =>
  links
    .filter(({ url, material }) => material !== undefined || url.trim() !== '')
    .map(({ url, label, staffOnly, material }) =>
      material ? { label, staffOnly, material } : { url: url.trim(), label, staffOnly },
    );
