import { Temporal } from 'temporal-polyfill';
import type { OutletContents } from '@/core/outlets/outletContents';
import type { EmbedLook, PersonalKind } from '@/core/outlets/outlet';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import type { Occurrence } from '@/core/plan/occurrence';
import { occurrencesOf } from '@/core/plan/occurrences';
import { DEFAULT_LOCALE } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { currentTerm } from '@/core/time/term';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf, isDay } from '@/core/time/zonedWall';

/** What a reader asks an embed for: a day to look at, and which courses and kinds. */
export type EmbedAsked = Readonly<{
  at?: Temporal.PlainDate;
  courses: ReadonlySet<string>;
  kinds: ReadonlySet<string>;
  /** Sections, by id: of those that the outlet holds. */
  sections: ReadonlySet<string>;
}>;

export type CoursePage = Readonly<{
  contacts: readonly Readonly<{ name: string; contact: string }>[];
  materials: readonly SeenMaterial[];
}>;
export const NO_COURSE_PAGE: CoursePage = { contacts: [], materials: [] };

/** What the pages of an embed are made from. */
export type EmbedContext = Readonly<{
  title: string;
  look: EmbedLook;
  contents: OutletContents;
  asked: EmbedAsked;
  /** The path of the outlet's own page. */
  embed: string;
  /** Where times are taken: Pembit's own page. */
  signUp: string;
  /** Where a link leads for a reader; undefined: it opens for people of the course alone. */
  opened: (url: string) => string | undefined;
  /** Of the course's own page: staff who want to be written to, and the outline as its readers see it. */
  about: CoursePage;
  /** The sections that a reader may choose among; none where there is no choice. */
  sections: readonly Readonly<{ id: string; label: string }>[];
  locale: string;
  weekStart: number;
  term?: Term;
  today: Temporal.PlainDate;
  now: Temporal.Instant;
  /** All that the reader wants of what the outlet holds, by time. */
  occurrences: readonly Occurrence[];
}>;

/** The kinds by which a reader may choose; dates for everyone are events. */
export const kindOf = (o: Occurrence): PersonalKind => (o.kind === 'siteDate' ? 'event' : o.kind);

const NOTHING_ASKED: ReadonlySet<string> = new Set();

/** What the address of an embed asks for; what cannot be read is as if it were not there. */
export function askedBy(query: URLSearchParams, filters: boolean): EmbedAsked {
  const at = query.get('at') ?? '';
  let date: Temporal.PlainDate | undefined;
  try {
    date = /^\d{4}-\d{2}-\d{2}$/.test(at) ? Temporal.PlainDate.from(at, { overflow: 'reject' }) : undefined;
  } catch {
    date = undefined; // such as 30 February
  }
  if (!filters) return { at: date, courses: NOTHING_ASKED, kinds: NOTHING_ASKED, sections: NOTHING_ASKED };
  const all = (name: string) => new Set(query.getAll(name));
  return { at: date, courses: all('course'), kinds: all('kind'), sections: all('section') };
}

/** The address of the same page with another day, the reader's choice kept. */
export function pageAt({ embed, asked }: EmbedContext, at: Temporal.PlainDate | undefined): string {
  const query = new URLSearchParams([
    ...(at ? [['at', at.toString()]] : []),
    ...[...asked.courses].map((code) => ['course', code]),
    ...[...asked.kinds].map((kind) => ['kind', kind]),
    ...[...asked.sections].map((section) => ['section', section]),
  ]);
  return query.size > 0 ? `${embed}?${query}` : embed;
}

function wanted(o: Occurrence, contents: OutletContents, asked: EmbedAsked): boolean {
  if (!contents.has(kindOf(o))) return false;
  const last = o.end && isDay(o.end) ? o.end.subtract({ days: 1 }) : dayOf(o.end ?? o.start);
  if (contents.since && Temporal.PlainDate.compare(last, contents.since) < 0) return false;
  if (asked.kinds.size > 0 && !asked.kinds.has(kindOf(o))) return false;
  if (asked.courses.size === 0) return true;
  return contents.plan.courses.some(
    (course) => asked.courses.has(course.code) && o.courses.includes(course.id),
  );
}

export function embedContext(
  { name, look }: Readonly<{ name: string; look: EmbedLook }>,
  contents: OutletContents,
  given: Pick<EmbedContext, 'asked' | 'embed' | 'signUp' | 'opened' | 'about' | 'sections' | 'now'>,
): EmbedContext {
  const { asked, now } = given;
  const { plan } = contents;
  const tzid = plan.terms[0]?.tzid ?? 'UTC';
  const today = toWall(requireZone(tzid), now).toPlainDate();
  const term = currentTerm(plan.terms, today);
  return {
    title: look.title || name,
    look,
    contents,
    ...given,
    locale: look.locale || plan.locale || DEFAULT_LOCALE,
    weekStart: look.weekStart ?? term?.weekStart ?? 1,
    term,
    today,
    occurrences: occurrencesOf(plan, requireZone).filter((o) => wanted(o, contents, asked)),
  };
}
