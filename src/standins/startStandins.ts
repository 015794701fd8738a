import { createServer } from 'node:http';
import { calendarApplication } from './calendarApplication';
import { coursePages } from './courseSite/coursePages';
import { pastedPage } from './courseSite/pastedPage';
import type { Handler } from './http';
import { send } from './http';
import { library } from './library';
import { districtCalendar } from './districtCalendar';
import { schoolSystem } from './schoolSystem';
import { signInProvider } from './signInProvider';
import { mailbox } from './mailbox';
import { meetingService } from './meetingService';
import { escape, page } from './page';

export type Standins = Readonly<{ url: string; close: () => void }>;

const home =
  (pembitUrl: string): Handler =>
  async (_request, response, url) =>
    url.pathname === '/' &&
    send(
      response,
      page(
        'Outside services',
        'this whole site.',
        `<p>Pembit meets the world here: each is small, simulated, and says so.</p><ul>
         <li><a href="/course-site">Course site</a>: a page into which an embed is pasted</li>
         <li><a href="/course-site/course">Course in the course site</a>: people come from it to their own view (LTI 1.3)</li>
         <li><a href="/calendar">Calendar application</a>: subscribes to feeds</li>
         <li><a href="/mailbox">Mailbox</a>: every letter that Pembit sends</li>
         <li><a href="/library/handouts/offsets-table">Library</a>: the pages that entries link to</li>
         <li><a href="/meetings">Meeting service</a>: a room for a request</li>
         <li><a href="/district">District calendar</a>: days that can be edited, as a file</li>
         <li><a href="/school-system">Student records</a>: who takes what, as the school’s own system lists it</li>
         <li>School sign-in: says who one is, when one signs in to Pembit by way of the school</li></ul>
         <p><a href="${escape(pembitUrl)}">Pembit</a></p>`,
      ),
    );

/** The stand-ins on their own site (127.0.0.1): to a browser a stranger to Pembit on localhost. */
export function startStandins(options: {
  port: number;
  pembitUrl: string;
  now: () => number;
}): Promise<Standins> {
  const handlers: readonly Handler[] = [
    home(options.pembitUrl),
    pastedPage(),
    coursePages(options),
    calendarApplication(options.now),
    library,
    mailbox(options.now),
    meetingService(),
    districtCalendar(options.now),
    schoolSystem(),
    signInProvider(),
  ];
  const server = createServer((request, response) => {
    const answer = async () => {
      const url = new URL(request.url ?? '/', 'http://127.0.0.1');
      for (const handler of handlers) if (await handler(request, response, url)) return;
      send(
        response,
        page('Not found', 'this whole site.', '<p>There is no such page here.</p>'),
        undefined,
        404,
      );
    };
    answer().catch((error: unknown) => {
      console.error('A stand-in failed:', error);
      if (!response.headersSent) send(response, 'The stand-in failed.', 'text/plain', 500);
    });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(options.port, '127.0.0.1', () =>
      resolve({
        url: `http://127.0.0.1:${options.port}`,
        close: () => {
          server.closeAllConnections();
          server.close();
        },
      }),
    );
  });
}
