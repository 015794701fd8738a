import type { Course } from '@/core/plan/plan';
import type { Outlet } from '@/core/outlets/outlet';
import { listed } from '@/core/texts/entries';
import { publishTexts } from '@/core/texts/publish';

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
}>;

const escape = (text: string) => text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');

/** The piece of page that an editor of a course site takes, scripts stripped or not. */
const snippetOf = (name: string, url: string): string =>
  `<iframe src="${url}" title="${escape(name)}" width="100%" height="600" loading="lazy" style="border:1px solid #ccc"></iframe>`;

export function outletCard(outlet: Outlet & { url: string }, courses: readonly Course[]): OutletCardView {
  const { personalLead, publicLead, rosterLead, public: publicWord, roster } = publishTexts;
  const names =
    outlet.audience === 'personal'
      ? []
      : courses.filter((c) => outlet.courses.includes(c.id)).map((c) => `${c.tag} ${c.title}`);
  const kinds =
    outlet.audience === 'personal'
      ? []
      : outlet.kinds.map((kind) => publishTexts.kindNames[kind].toLowerCase());
  return {
    id: outlet.id,
    kind: outlet.kind,
    name: outlet.name,
    kindLabel: outlet.kind === 'feed' ? publishTexts.feed : publishTexts.embed,
    audience: outlet.audience === 'public' ? publicWord : outlet.audience === 'roster' ? roster : '',
    isPublic: outlet.audience === 'public',
    readers:
      outlet.audience === 'public' ? publicLead : outlet.audience === 'roster' ? rosterLead : personalLead,
    holds: names.length > 0 ? `${listed(names)}: ${listed(kinds)}` : '',
    url: outlet.url,
    webcal: outlet.url.replace(/^https?:/, 'webcal:'),
    snippet: outlet.kind === 'embed' ? snippetOf(outlet.name, outlet.url) : undefined,
  };
}
