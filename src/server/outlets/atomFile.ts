import { Feed } from 'feed';
import type { News } from '@/core/outlets/newest';
import type { Outlet } from '@/core/outlets/outlet';

/** What is new in an outlet as an Atom feed (RFC 4287). */
export function atomFile(
  { id, name }: Pick<Outlet, 'id' | 'name'>,
  news: readonly News[],
  { page, self, changedAtMs }: Readonly<{ page: string; self?: string; changedAtMs: number }>,
): string {
  const feed = new Feed({
    id: `urn:uuid:${id}`,
    title: name,
    link: page,
    updated: new Date(news[0]?.updated.epochMilliseconds ?? changedAtMs),
    generator: 'Pembit',
    copyright: '',
    ...(self === undefined ? {} : { feedLinks: { atom: self } }),
    author: { name },
  });
  for (const { uid, title, url, summary, created, updated } of news)
    feed.addItem({
      id: `urn:uuid:${uid}`,
      title,
      link: url,
      description: summary,
      published: new Date(created.epochMilliseconds),
      date: new Date(updated.epochMilliseconds),
    });
  return feed.atom1();
}
