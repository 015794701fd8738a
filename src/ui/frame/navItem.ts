/** A word of the navigation. */
export type NavItem = Readonly<{
  href: string;
  label: string;
  /** Not in the bar of a phone, which holds five words at most: there it stands under the last of them. */
  wideOnly?: boolean;
  /** How many things wait there. */
  count?: number;
}>;
