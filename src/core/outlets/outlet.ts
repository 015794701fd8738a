import type { CourseId, OutletId, PersonId, SectionId } from '../ids';

/** What an outlet may be composed of. */
export const OUTLET_KINDS = ['class', 'event', 'set', 'due', 'announcement', 'times', 'closure'] as const;
export type OutletKind = (typeof OUTLET_KINDS)[number];

export const TIMES_AS = ['days', 'single'] as const;
export type TimesAs = (typeof TIMES_AS)[number];

/**
 * Something published under a secret address. A personal feed follows its owner's courses and holds the owner's
 * bookings, too; every other outlet names what it holds.
 */
export type Outlet = Readonly<{
  id: OutletId;
  kind: 'feed' | 'embed';
  name: string;
  owner: PersonId;
  /** Grows by one when the address is replaced. */
  generation: number;
}> &
  (
    | Readonly<{ audience: 'personal' }>
    | Readonly<{
        audience: 'public' | 'roster';
        courses: readonly CourseId[];
        sections: readonly SectionId[];
        kinds: readonly OutletKind[];
        /** Sign-up times as one line a day with the number of free ones, or each free one by itself. */
        times: TimesAs;
      }>
  );
