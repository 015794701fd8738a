import { randomUUID } from 'node:crypto';
import type { Handler } from './http';
import { send } from './http';
import { escape, page } from './page';

const WHAT = 'a small simulated service for video meetings.';

type Room = { title: string; host: string; closed: boolean };

/**
 * A room for a request: `POST /meetings` with `{title, host}` answers `{id, url, number, code}`; `DELETE /meetings/ID` closes it.
 * Each room has a page, which says so when it is closed.
 */
export function meetingService(): Handler {
  const rooms = new Map<string, Room>();
  return async (request, response, url) => {
    if (url.pathname === '/meetings' && request.method === 'POST') {
      let text = '';
      for await (const chunk of request) text += String(chunk);
      const { title = 'Meeting', host = '' } = JSON.parse(text || '{}') as Partial<Room>;
      const id = randomUUID();
      rooms.set(id, { title, host, closed: false });
      const digits = id.replace(/\D/g, '').padEnd(16, '7');
      const answer = {
        id,
        url: `http://${request.headers.host}/meetings/${id}`,
        number: digits.slice(0, 9),
        code: digits.slice(9, 15),
      };
      return send(response, JSON.stringify(answer), 'application/json', 201);
    }
    const id = /^\/meetings\/([0-9a-f-]{36})$/.exec(url.pathname)?.[1];
    if (url.pathname === '/meetings')
      return send(
        response,
        page(
          'Meetings',
          WHAT,
          `<ul>${[...rooms].map(([key, room]) => `<li><a href="/meetings/${key}">${escape(room.title)}</a>${room.closed ? ' (closed)' : ''}</li>`).join('') || '<li>No rooms yet.</li>'}</ul>`,
        ),
      );
    if (!id) return false;
    const room = rooms.get(id);
    if (room && request.method === 'DELETE') {
      room.closed = true;
      return send(response, '{}', 'application/json');
    }
    const open = room && !room.closed;
    return send(
      response,
      page(
        room?.title ?? 'No such room',
        WHAT,
        open
          ? `<p>You are in the room of ${escape(room.host || 'this meeting')}. Nobody can be seen or heard: it is simulated.</p>`
          : '<p>There is no open room here. It was withdrawn, or never existed.</p>',
      ),
      undefined,
      open ? 200 : 404,
    );
  };
}
