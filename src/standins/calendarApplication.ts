import nodeIcal from 'node-ical';
import type { Handler } from './http';
import { formOf, redirect, send } from './http';
import { escape, page } from './page';

const WHAT = 'a small simulated calendar application that subscribes to feeds.';

type Item = {
  uid: string;
  title: string;
  start: Date;
  end?: Date;
  allDay: boolean;
  tzid?: string;
  place: string;
  text: string;
  url: string;
  sequence: number;
};
type Poll = {
  at: string;
  status: number;
  added: string[];
  changed: string[];
  removed: string[];
  error?: string;
};
type Subscription = {
  url: string;
  name: string;
  etag?: string;
  lastModified?: string;
  items: Map<string, Item>;
  polls: Poll[];
};

const textOf = (value: unknown): string =>
  typeof value === 'string'
    ? value
    : value && typeof value === 'object' && 'val' in value
      ? String(value.val)
      : '';

/** Reads a file with node-ical: a parser that Pembit itself does not use. */
function itemsOf(file: string): { name: string; items: Map<string, Item> } {
  const parsed = nodeIcal.sync.parseICS(file);
  const items = new Map<string, Item>();
  let name = '';
  for (const component of Object.values(parsed)) {
    if (!component) continue;
    if (component.type === 'VCALENDAR') name = textOf((component as Record<string, unknown>)['WR-CALNAME']);
    if (component.type !== 'VEVENT') continue;
    items.set(component.uid, {
      uid: component.uid,
      title: textOf(component.summary),
      start: component.start,
      end: component.end && component.end.getTime() !== component.start.getTime() ? component.end : undefined,
      allDay: component.datetype === 'date',
      tzid: component.start.tz,
      place: textOf(component.location),
      text: textOf(component.description),
      url: textOf(component.url),
      sequence: Number(component.sequence ?? 0),
    });
  }
  return { name, items };
}

const same = (a: Item, b: Item) => JSON.stringify(a) === JSON.stringify(b);

async function poll(subscription: Subscription, at: string): Promise<void> {
  const headers: Record<string, string> = {};
  if (subscription.etag) headers['if-none-match'] = subscription.etag;
  if (subscription.lastModified) headers['if-modified-since'] = subscription.lastModified;
  const record: Poll = { at, status: 0, added: [], changed: [], removed: [] };
  subscription.polls.unshift(record);
  try {
    const answer = await fetch(subscription.url.replace(/^webcal:/, 'http:'), {
      headers,
      signal: AbortSignal.timeout(10_000),
    });
    record.status = answer.status;
    if (answer.status !== 200) return;
    const { name, items } = itemsOf(await answer.text());
    const before = subscription.items;
    for (const item of items.values()) {
      const old = before.get(item.uid);
      if (!old) record.added.push(item.title);
      else if (!same(old, item))
        record.changed.push(`${item.title} (sequence ${old.sequence} to ${item.sequence})`);
    }
    for (const item of before.values()) if (!items.has(item.uid)) record.removed.push(item.title);
    Object.assign(subscription, {
      name,
      items,
      etag: answer.headers.get('etag') ?? undefined,
      lastModified: answer.headers.get('last-modified') ?? undefined,
    });
  } catch (error) {
    record.error = error instanceof Error ? error.message : String(error);
  }
}

async function lookAt(url: string, at: string): Promise<Subscription> {
  const subscription: Subscription = { url, name: '', items: new Map(), polls: [] };
  await poll(subscription, at);
  return subscription;
}

/** Times as the phone of somebody in the event's own zone shows them. */
function whenOf(item: Item): { day: string; time: string } {
  const zone = item.allDay ? undefined : (item.tzid ?? 'UTC');
  const format = (options: Intl.DateTimeFormatOptions, date: Date) =>
    new Intl.DateTimeFormat('en-GB', { ...options, timeZone: zone }).format(date);
  const clock = (date: Date) => format({ hour: '2-digit', minute: '2-digit' }, date);
  return {
    day: format({ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' }, item.start),
    time: item.allDay ? 'all day' : clock(item.start) + (item.end ? `–${clock(item.end)}` : ''),
  };
}

function row(item: Item): string {
  const { day, time } = whenOf(item);
  return `<tr data-uid="${escape(item.uid)}"><td>${day}</td><td>${time}</td><td>${item.url ? `<a href="${escape(item.url)}">${escape(item.title)}</a>` : escape(item.title)}
    <br><small>${escape(item.place)}</small></td><td>${item.sequence}</td></tr>`;
}

function pollRow(record: Poll): string {
  const list = (title: string, items: string[], cls: string) =>
    items.length === 0 ? '' : `<p class="${cls}">${title}: ${items.map(escape).join('; ')}</p>`;
  const said = record.error ?? (record.status === 304 ? '304, nothing new' : String(record.status));
  return `<tr><td>${escape(record.at)}</td><td>${escape(said)}</td><td>${list('New', record.added, 'new')}${list('Changed', record.changed, 'changed')}${list('Gone', record.removed, 'gone')}</td></tr>`;
}

/** Subscribes to feed addresses, polls on request as phones do by the hour, shows what they hold and what changed. */
export function calendarApplication(now: () => number): Handler {
  const subscriptions: Subscription[] = [];
  const clock = () => new Date(now()).toISOString();
  return async (request, response, url) => {
    if (!url.pathname.startsWith('/calendar')) return false;
    if (request.method === 'POST') {
      const form = await formOf(request);
      if (url.pathname === '/calendar/subscribe') {
        const subscription: Subscription = {
          url: form.get('url') ?? '',
          name: '',
          items: new Map(),
          polls: [],
        };
        subscriptions.push(subscription);
        await poll(subscription, clock());
        return redirect(response, `/calendar/${subscriptions.length}`);
      }
      const number = Number(/^\/calendar\/(\d+)\/poll$/.exec(url.pathname)?.[1]);
      const subscription = subscriptions[number - 1];
      if (!subscription) return false;
      await poll(subscription, clock());
      return redirect(response, `/calendar/${number}`);
    }
    const number = Number(/^\/calendar\/(\d+)$/.exec(url.pathname)?.[1]);
    // Looked at once, without subscribing.
    const looked =
      url.pathname === '/calendar/look'
        ? await lookAt(url.searchParams.get('url') ?? '', clock())
        : undefined;
    const subscription = looked ?? subscriptions[number - 1];
    if (subscription) {
      const items = [...subscription.items.values()].sort((a, b) => a.start.getTime() - b.start.getTime());
      return send(
        response,
        page(
          subscription.name || 'Subscription',
          WHAT,
          `${looked ? '' : `<form method="post" action="/calendar/${number}/poll"><button>Poll now</button></form>`}
           <h2>Polls</h2><table id="polls"><tbody>${subscription.polls.map(pollRow).join('')}</tbody></table>
           <h2>${items.length} events</h2><table id="events"><thead><tr><th>Day</th><th>Time</th><th>What</th><th>Sequence</th></tr></thead><tbody>${items.map(row).join('')}</tbody></table>`,
        ),
      );
    }
    if (url.pathname !== '/calendar') return false;
    const list = subscriptions.map(
      (s, i) => `<li><a href="/calendar/${i + 1}">${escape(s.name || s.url)}</a></li>`,
    );
    return send(
      response,
      page(
        'Subscriptions',
        WHAT,
        `<ul>${list.join('') || '<li>None yet.</li>'}</ul>
         <form method="post" action="/calendar/subscribe"><label for="url">Address of a feed</label>
         <input id="url" name="url" type="text" required><button>Subscribe</button></form>`,
      ),
    );
  };
}
