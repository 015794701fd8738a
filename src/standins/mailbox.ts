import type { Handler } from './http';
import { formOf, redirect, send } from './http';
import { escape, page } from './page';

const WHAT = 'a small simulated mailbox for every address. No mail leaves this machine.';

type Letter = {
  messageId: string;
  to: string;
  subject: string;
  text: string;
  html?: string;
  headers?: Readonly<Record<string, string>>;
  attachments: readonly Readonly<{ filename: string; content: string }>[];
  /** What became of each attempt to deliver it, oldest first. */
  attempts: { at: string; refused: boolean }[];
};

const linked = (text: string) =>
  escape(text).replace(/https?:\/\/[^\s<]+/g, (url) => `<a href="${url}">${url}</a>`);

/**
 * Takes letters over HTTP and shows them with every attempt, newest first; the same Message-ID twice is one letter. Mail
 * to addresses that it was told to refuse is refused, as a full or unknown mailbox would.
 */
export function mailbox(now: () => number): Handler {
  const letters: Letter[] = [];
  const refusing = new Set<string>();
  return async (request, response, url) => {
    if (url.pathname === '/mailbox/deliver' && request.method === 'POST') {
      let text = '';
      for await (const chunk of request) text += String(chunk);
      const sent = JSON.parse(text) as Omit<Letter, 'attempts'>;
      const refused = refusing.has(sent.to.toLowerCase());
      const attempt = { at: new Date(now()).toISOString(), refused };
      const known = letters.find((letter) => letter.messageId === sent.messageId);
      if (known) known.attempts.push(attempt);
      else letters.unshift({ ...sent, attachments: sent.attachments ?? [], attempts: [attempt] });
      return send(response, '{}', 'application/json', refused ? 550 : 200);
    }
    if (url.pathname === '/mailbox/refuse' && request.method === 'POST') {
      const address = ((await formOf(request)).get('address') ?? '').trim().toLowerCase();
      if (refusing.has(address)) refusing.delete(address);
      else if (address) refusing.add(address);
      return redirect(response, '/mailbox');
    }
    if (url.pathname === '/mailbox/html') {
      const asked = letters.find(({ messageId }) => messageId === url.searchParams.get('id'));
      return send(response, asked?.html ?? '', 'text/html; charset=utf-8', asked?.html ? 200 : 404);
    }
    if (url.pathname !== '/mailbox') return false;
    const to = url.searchParams.get('to');
    const list = letters.filter((letter) => !to || letter.to === to).map(letterHtml);
    return send(
      response,
      page('Mailbox', WHAT, refuseForm(refusing) + (list.join('') || '<p>No mail yet.</p>')),
    );
  };
}

function letterHtml({ messageId, to, subject, text, headers, attachments, attempts }: Letter): string {
  const state = attempts.at(-1)!.refused ? 'refused' : 'delivered';
  const tries = attempts.map((attempt) => `${attempt.at} ${attempt.refused ? 'refused' : 'delivered'}`);
  const files = attachments.map(
    ({ filename, content }) =>
      `<details><summary>Attachment: ${escape(filename)}</summary><pre>${escape(content)}</pre></details>`,
  );
  const end = /<(.+)>/.exec(headers?.['List-Unsubscribe'] ?? '')?.[1];
  return `<section><h2>${escape(subject)}</h2>
    <p><small>To <a href="/mailbox?to=${encodeURIComponent(to)}">${escape(to)}</a>: <b>${state}</b>
      after ${attempts.length === 1 ? '1 attempt' : `${attempts.length} attempts`} (${escape(tries.join('; '))})
      · <a href="/mailbox/html?id=${encodeURIComponent(messageId)}">As HTML</a>${end ? ` · <a href="${escape(end)}">Unsubscribe (List-Unsubscribe)</a>` : ''}</small></p>
    <p style="white-space:pre-line">${linked(text)}</p>${files.join('')}</section>`;
}

function refuseForm(refusing: ReadonlySet<string>): string {
  const list = [...refusing].map(
    (address) => `<li>${escape(address)} <form method="post" action="/mailbox/refuse" style="display:inline">
      <input type="hidden" name="address" value="${escape(address)}"><button>Accept again</button></form></li>`,
  );
  return `<form method="post" action="/mailbox/refuse"><label>Refuse mail to this address
    <input type="text" name="address" placeholder="somebody@kittiwake.example"></label><button>Refuse</button></form>
    ${list.length > 0 ? `<ul>${list.join('')}</ul>` : ''}`;
}
