/** A word of the navigation. */
export type NavItem = Readonly<{
  href: string;
  label: string;
  /** Left out of the bar of a phone, which holds five words at most. */
  wideOnly?: boolean;
  /** How many things wait there. */
  count?: number;
}>;
