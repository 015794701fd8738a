import type { Course } from '@/core/plan/plan';
import type { Outlet } from '@/core/outlets/outlet';
import { embedSnippet } from '@/core/outlets/snippet';
import { listed } from '@/core/texts/entries';
import { publishTexts as say } from '@/core/texts/publish';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import type { Zone } from '@/core/time/zone';
import { Temporal } from 'temporal-polyfill';

export type OutletCardView = Readonly<{
  id: string;
  kind: 'feed' | 'embed';
  name: string;
  kindLabel: string;
  audience: string;
  isPublic: boolean;
  readers: string;
  holds: string;
  url: string;
  webcal: string;
  snippet?: string;
  /** Where its picture is, to be photographed. */
  code: string;
  read: string;
  days: readonly Readonly<{ label: string; reads: number }>[];
  isPersonal: boolean;
  /** In a demonstration: the stand-in that shows what others see of it. */
  standin?: Readonly<{ href: string; label: string }>;
}>;

type Use = Readonly<{ lastAtMs: number; days: readonly Readonly<{ day: string; reads: number }>[] }>;
export const READ_DAYS = 14;

/** The last two weeks, day by day, those without a reading too. */
function daysOf(use: Use | undefined, today: Temporal.PlainDate, locale: string): OutletCardView['days'] {
  const reads = new Map(use?.days.map(({ day, reads: n }) => [day, n]));
  return Array.from({ length: READ_DAYS }, (_, i) => {
    const day = today.subtract({ days: READ_DAYS - 1 - i });
    return { label: dateLabel(day, 'short', locale), reads: reads.get(day.toString()) ?? 0 };
  });
}

/** When it was read last, and how often of late. */
export function readWords(
  use: Use | undefined,
  { zone, today, locale }: Readonly<{ zone: Zone; today: Temporal.PlainDate; locale: string }>,
): string {
  if (!use) return say.neverRead;
  const at = toWall(zone, Temporal.Instant.fromEpochMilliseconds(use.lastAtMs));
  const total = daysOf(use, today, locale).reduce((sum, { reads }) => sum + reads, 0);
  return say.lastRead({ when: momentLabel({ wall: at, tzid: zone.tzid }, locale), n: total });
}

export function outletCard(
  outlet: Outlet & { url: string },
  {
    courses,
    calendars,
    use,
    zone,
    today,
    locale,
    standins,
  }: Readonly<{
    courses: readonly Course[];
    calendars: readonly Readonly<{ id: string; name: string }>[];
    use?: Use;
    zone: Zone;
    today: Temporal.PlainDate;
    locale: string;
    standins?: string;
  }>,
): OutletCardView {
  const isPersonal = outlet.audience === 'personal';
  const names = isPersonal
    ? []
    : [
        ...courses.filter((c) => outlet.courses.includes(c.id)).map((c) => `${c.tag} ${c.title}`),
        ...calendars.filter((c) => outlet.calendars.includes(c.id as never)).map((c) => c.name),
      ];
  const kinds = outlet.kinds.map((kind) => say.kindNames[kind].toLowerCase());
  const view = isPersonal || outlet.kind === 'feed' ? '' : `${say.views[outlet.look.view]}. `;
  const days = daysOf(use, today, locale);
  const total = days.reduce((sum, { reads }) => sum + reads, 0);
  const readers = { public: say.publicLead, roster: say.rosterLead, personal: say.personalLead };
  const title = isPersonal ? outlet.name : outlet.look.title || outlet.name;
  return {
    id: outlet.id,
    kind: outlet.kind,
    name: outlet.name,
    kindLabel: outlet.kind === 'feed' ? say.feed : say.embed,
    audience: outlet.audience === 'public' ? say.public : outlet.audience === 'roster' ? say.roster : '',
    isPublic: outlet.audience === 'public',
    readers: readers[outlet.audience],
    holds:
      names.length > 0 ? `${view}${listed(names)}: ${listed(kinds)}` : say.holds({ kinds: listed(kinds) }),
    url: outlet.url,
    webcal: outlet.url.replace(/^https?:/, 'webcal:'),
    snippet:
      isPersonal || outlet.kind === 'feed'
        ? undefined
        : embedSnippet({ title, url: outlet.url, height: outlet.look.height }),
    code: `/api/outlets/${outlet.id}/code?of=${outlet.generation}`,
    read: readWords(use, { zone, today, locale }),
    days: total > 0 ? days : [],
    isPersonal,
    standin: standins
      ? outlet.kind === 'feed'
        ? {
            href: `${standins}/calendar/look?url=${encodeURIComponent(outlet.url)}`,
            label: say.inApplication,
          }
        : { href: `${standins}/course-site/look?url=${encodeURIComponent(outlet.url)}`, label: say.onSite }
      : undefined,
  };
}
