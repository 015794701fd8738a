import { createHash } from 'node:crypto';
import type { Handler } from './http';
import { formOf, redirect, send } from './http';
import { escape, page } from './page';

const WHAT = 'the simulated calendar of a school district.';

type Line = Readonly<{ date: string; title: string }>;

const two = (n: number) => String(n).padStart(2, '0');
const dayAfter = (date: string, days: number) => {
  const day = new Date(`${date}T00:00:00Z`);
  day.setUTCDate(day.getUTCDate() + days);
  return `${day.getUTCFullYear()}-${two(day.getUTCMonth() + 1)}-${two(day.getUTCDate())}`;
};

/** One line each: `2026-10-30 Harbour day (no school)`. What cannot be read is left out. */
const linesOf = (text: string): Line[] =>
  text.split('\n').flatMap((line) => {
    const match = /^(\d{4}-\d{2}-\d{2})\s+(.+)$/.exec(line.trim());
    return match ? [{ date: match[1]!, title: match[2]! }] : [];
  });

const compact = (date: string) => date.replaceAll('-', '');
const escapeText = (text: string) => text.replace(/[\\;,]/g, (c) => `\\${c}`);

function calendarOf(lines: readonly Line[], stamp: string): string {
  const events = lines.flatMap(({ date, title }) => [
    'BEGIN:VEVENT',
    `UID:${createHash('sha256').update(title).digest('hex').slice(0, 24)}@district.example`,
    `DTSTAMP:${stamp}`,
    `DTSTART;VALUE=DATE:${compact(date)}`,
    `DTEND;VALUE=DATE:${compact(dayAfter(date, 1))}`,
    `SUMMARY:${escapeText(title)}`,
    'END:VEVENT',
  ]);
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Breakwater District//Calendar//EN',
    ...events,
    'END:VCALENDAR',
    '',
  ].join('\r\n');
}

/** A calendar at `/district/calendar.ics` whose days can be edited on its page; unchanged it answers 304. */
export function districtCalendar(now: () => number): Handler {
  const today = new Date(now()).toISOString().slice(0, 10);
  let text = [
    `${dayAfter(today, 17)} Harbour day (no school)`,
    `${dayAfter(today, 24)} Parents’ evening`,
    `${dayAfter(today, 45)} Early closing`,
  ].join('\n');
  return async (request, response, url) => {
    if (url.pathname === '/district/calendar.ics') {
      const body = calendarOf(linesOf(text), `${compact(today)}T000000Z`);
      const etag = `"${createHash('sha256').update(body).digest('hex').slice(0, 16)}"`;
      response.setHeader('etag', etag);
      if (request.headers['if-none-match'] === etag) {
        response.writeHead(304).end();
        return true;
      }
      return send(response, body, 'text/calendar; charset=utf-8');
    }
    if (url.pathname !== '/district') return false;
    if (request.method === 'POST') {
      text = (await formOf(request)).get('days') ?? text;
      return redirect(response, '/district');
    }
    return send(
      response,
      page(
        'Breakwater District',
        WHAT,
        `<form method="post" action="/district"><label>Days, one a line
         <textarea name="days" rows="8">${escape(text)}</textarea></label><button>Save</button></form>
         <p><a href="/district/calendar.ics">The calendar as a file</a></p>`,
      ),
    );
  };
}
