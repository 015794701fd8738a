type Said = Readonly<{ name?: string; given?: string; family?: string }>;

/** What a site calls somebody, in one line; empty where it does not say. */
export const nameOf = ({ name, given, family }: Said): string =>
  (name ?? [given, family].filter(Boolean).join(' ')).replace(/\s+/g, ' ').trim();
