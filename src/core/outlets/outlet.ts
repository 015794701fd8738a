import type { CalendarId, CourseId, EntryId, FileId, OutletId, PersonId, SectionId } from '../ids';
import type { CourseColor } from '../plan/plan';

/** What an outlet may be composed of. */
export const OUTLET_KINDS = ['class', 'event', 'set', 'due', 'announcement', 'times', 'closure'] as const;
export type OutletKind = (typeof OUTLET_KINDS)[number];

/** What a personal feed may hold besides: the owner's bookings and notes, and the outside calendars the owner sees. */
export const PERSONAL_KINDS = [...OUTLET_KINDS, 'booking', 'note', 'outside'] as const;
export type PersonalKind = (typeof PERSONAL_KINDS)[number];

export const TIMES_AS = ['days', 'single'] as const;
export type TimesAs = (typeof TIMES_AS)[number];

export const REMINDER_KINDS = ['due', 'event', 'booking'] as const;
export type ReminderKind = (typeof REMINDER_KINDS)[number];
/** A reminder in a feed, so many minutes before. */
export type Reminder = Readonly<{ kind: ReminderKind; minutes: number }>;

export const DETAILS = ['full', 'titles'] as const;

export const EMBED_VIEWS = ['days', 'month', 'week', 'term', 'day', 'times', 'entry', 'course'] as const;
export type EmbedView = (typeof EMBED_VIEWS)[number];
export const SCHEMES = ['reader', 'light', 'dark'] as const;
export const ROW_HEIGHTS = ['close', 'usual', 'roomy'] as const;

/** How an embed looks. */
export type EmbedLook = Readonly<{
  view: EmbedView;
  /** Of the view of a single entry. */
  entry?: EntryId;
  /** Of the view of one day; absent: today. `2026-10-13`. */
  date?: string;
  /** Over it; empty: the outlet's name. */
  title: string;
  /** A BCP 47 tag; empty: as the school writes dates. */
  locale: string;
  /** ISO's weekday 1 to 7; absent: as the school has it. */
  weekStart?: number;
  scheme: (typeof SCHEMES)[number];
  /** Of headings and links. */
  color: CourseColor | 'spruce';
  rows: (typeof ROW_HEIGHTS)[number];
  /** Of the frame, in pixels. */
  height: number;
  /** Whether a reader may choose courses and kinds. */
  filters: boolean;
  /** Sites that may frame it; none: any. */
  origins: readonly string[];
}>;

type Composed = Readonly<{
  /** How many days back it reaches; absent: all of the term. */
  daysBack?: number;
  /** Whether titles carry their courses' tags. */
  tags: boolean;
  /** Everything, or titles and times alone. */
  detail: (typeof DETAILS)[number];
  reminders: readonly Reminder[];
}>;

export type PersonalComposition = Composed & Readonly<{ kinds: readonly PersonalKind[] }>;
export type PublishedComposition = Composed &
  Readonly<{
    courses: readonly CourseId[];
    sections: readonly SectionId[];
    calendars: readonly CalendarId[];
    kinds: readonly OutletKind[];
    /** Sign-up times as one line a day with the number of free ones, or each free one by itself. */
    times: TimesAs;
    /** Whether links into meetings are in it. */
    meetingLinks: boolean;
    /** Whether uploaded files open for its readers, under its own address. */
    files: boolean;
    /** Recordings that anyone may play where files are open, each chosen by itself. */
    recordings: readonly FileId[];
    /** The files that were open when it was last composed; absent: not known. */
    opened?: readonly FileId[];
    /** Whether rooms and names of sections are in it. */
    places: boolean;
    look: EmbedLook;
  }>;

/**
 * Something published under a secret address. A personal feed follows its owner's courses and holds the owner's
 * bookings and notes, too; every other outlet names what it holds.
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
    | (Readonly<{ audience: 'personal' }> & PersonalComposition)
    | (Readonly<{ audience: 'public' | 'roster' }> & PublishedComposition)
  );

export type PublishedOutlet = Extract<Outlet, { audience: 'public' | 'roster' }>;

const COMPOSED = { tags: true, detail: 'full', reminders: [] } as const satisfies Composed;

export const DEFAULT_LOOK: EmbedLook = {
  view: 'days',
  title: '',
  locale: '',
  scheme: 'reader',
  color: 'spruce',
  rows: 'usual',
  height: 600,
  filters: true,
  origins: [],
};

export const PERSONAL_DEFAULTS: PersonalComposition = { ...COMPOSED, kinds: PERSONAL_KINDS };
export const PUBLISHED_DEFAULTS: PublishedComposition = {
  ...COMPOSED,
  courses: [],
  sections: [],
  calendars: [],
  kinds: OUTLET_KINDS,
  times: 'days',
  meetingLinks: false,
  files: false,
  recordings: [],
  places: true,
  look: DEFAULT_LOOK,
};
