import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import { entryTexts } from '../texts/entries';
import { momentLabel } from '../time/dateLabels';
import type { Addresses } from './eventParts';
import { coursesOf, tagged } from './eventParts';
import type { OutletContents } from './outletContents';

/** Something that came or changed, for readers of news. */
export type News = Readonly<{
  uid: string;
  title: string;
  url: string;
  summary: string;
  created: Temporal.Instant;
  updated: Temporal.Instant;
}>;

const MOST = 50;

/** What came or changed last in an outlet, the newest first: entries, and plans of classes. */
export function newestIn(
  { plan, has, tags }: Pick<OutletContents, 'plan' | 'has' | 'tags'>,
  addresses: Addresses,
): News[] {
  const entries = plan.entries.flatMap((entry): News[] => {
    if (entry.kind === 'note' || !has(entry.kind === 'assignment' ? 'due' : entry.kind)) return [];
    const title = tags ? tagged(coursesOf(plan, entry), entry.title) : entry.title;
    const when = momentLabel(mainMoment(entry), plan.locale);
    return [
      {
        uid: entry.uid,
        title: entry.cancelled === undefined ? title : `${entryTexts.cancelled({ reason: '' })}: ${title}`,
        url: addresses.entry(entry.id),
        summary: entry.kind === 'assignment' ? entryTexts.due({ when }) : when,
        created: entry.created,
        updated: entry.lastModified,
      },
    ];
  });
  const plans = new Map<string, News>();
  for (const { course, meeting, plan: taught } of has('class') ? plan.classes : [])
    if (taught && !plans.has(taught.id))
      plans.set(taught.id, {
        uid: taught.id,
        title: tags ? tagged([course], taught.title) : taught.title,
        url: addresses.class(meeting),
        summary: momentLabel(meeting.date, plan.locale),
        created: taught.created,
        updated: taught.lastModified,
      });
  return [...entries, ...plans.values()]
    .sort((a, b) => b.updated.epochMilliseconds - a.updated.epochMilliseconds || (a.uid < b.uid ? -1 : 1))
    .slice(0, MOST);
}
