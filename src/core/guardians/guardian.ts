import type { Temporal } from 'temporal-polyfill';
import type { Viewer } from '../entries/viewer';
import type { Students } from '../frame/students';
import type { PersonId } from '../ids';
import type { SeenPlan } from '../plan/seenPlan';
import type { SeenSheet } from '../signup/seenSheet';
import { withoutPlaces } from '../outlets/withoutPlaces';

/** What a guardian's address shows beside what all of a child's section see; each is chosen by whoever issues it. */
export const GUARDIAN_SHOWS = ['places', 'own', 'bookings'] as const;
export type GuardianShows = (typeof GUARDIAN_SHOWS)[number];

/** A read-only address for one guardian of one child. */
export type Guardian = Readonly<{
  id: string;
  child: PersonId;
  /** What the guardian is called by whoever issued it. */
  name: string;
  /** Grows by one when the address is replaced. */
  generation: number;
  issuedBy: PersonId | null;
  byOffice: boolean;
  /** Issued, or agreed to, by the child as an adult. */
  asAdult: boolean;
  shows: readonly GuardianShows[];
  created: Temporal.Instant;
  ended: boolean;
  /** Why the office barred whoever has this name or address of mail; for the office alone. */
  barred?: string;
  /** Where the week's page goes by letter; empty: nowhere. */
  email: string;
  emailConfirmed: boolean;
  /** How its letters write dates; empty: as the school does. */
  locale: string;
  /** By which clock they speak besides; empty: the school's alone. */
  tzid: string;
}>;

/** Whether a student decides alone. `minor`: the mark of a school that has both. */
export const isAdult = (students: Students, minor: boolean): boolean =>
  students === 'adults' || (students === 'mixed' && !minor);

/** How an address stands: `suspended` until a child who has become adult agrees, `asleep` between terms. */
export type GuardianState = 'open' | 'suspended' | 'asleep' | 'ended';

type Days = Readonly<{ startsOn: Temporal.PlainDate; endsOn: Temporal.PlainDate }>;

export function guardianState(
  { ended, asAdult }: Pick<Guardian, 'ended' | 'asAdult'>,
  { adult, terms, today }: Readonly<{ adult: boolean; terms: readonly Days[]; today: Temporal.PlainDate }>,
): GuardianState {
  if (ended) return 'ended';
  if (adult && !asAdult) return 'suspended';
  const isDuring = ({ startsOn, endsOn }: Days) => today.since(startsOn).sign >= 0 && endsOn.since(today).sign >= 0;
  return terms.some(isDuring) ? 'open' : 'asleep';
} // prettier-ignore

/** Nobody's id: by it nothing is anybody's own. */
const NOBODY = '00000000-0000-4000-8000-000000000000' as PersonId;

/**
 * Who looks through a guardian's address: somebody in the child's sections and groups, on no staff, without what is anybody's
 * own, and without ways into meetings. `own`: with what is the child's own by name.
 */
export const guardianViewer = (
  { id, memberOf, groups }: Extract<Viewer, { kind: 'person' }>,
  own: boolean,
): Extract<Viewer, { kind: 'person' }> => ({
  kind: 'person',
  id: own ? id : NOBODY,
  staffOf: new Set(),
  instructs: new Set(),
  helps: new Map(),
  memberOf,
  groups,
  meetingLinks: false,
});

/** A sheet on which the child's own times stand, and nothing else of theirs: no note, no answer, no way in, nobody who comes as well. */
const timesAlone = (sheet: SeenSheet): SeenSheet => ({
  ...sheet,
  rules: { ...sheet.rules, links: [] },
  slots: sheet.slots.map((slot) => ({
    ...slot,
    companions: [],
    bookings: slot.bookings.map((booking) => ({ ...booking, note: '', answer: '', meetingLink: '' })),
  })),
});

/**
 * What a guardian sees, of the plan as it is seen without what is the child's own (`plain`) and with it (`own`): notes, ticks and
 * questions are in neither.
 */
export function guardianPlan(plain: SeenPlan, own: SeenPlan, shows: readonly GuardianShows[]): SeenPlan {
  const plan = {
    ...(shows.includes('own')
      ? { ...plain, entries: own.entries.filter(({ kind }) => kind !== 'note') }
      : plain),
    sheets: shows.includes('bookings') ? own.sheets.map(timesAlone) : plain.sheets,
    // As in any shared feed, what is gone has no title.
    tombstones: plain.tombstones.map((tombstone) => ({ ...tombstone, title: '' })),
  };
  return shows.includes('places') ? plan : withoutPlaces(plan);
}
