import type { Handler } from './http';
import { send } from './http';
import { escape, page } from './page';

const WHAT = 'a small simulated mailbox for every address. No mail leaves this machine.';

type Letter = { messageId: string; to: string; subject: string; text: string; at: string; copies: number };

const linked = (text: string) =>
  escape(text).replace(/https?:\/\/[^\s<]+/g, (url) => `<a href="${url}">${url}</a>`);

/** Takes letters over HTTP and shows them, newest first; the same Message-ID twice is one letter with two copies. */
export function mailbox(now: () => number): Handler {
  const letters: Letter[] = [];
  return async (request, response, url) => {
    if (url.pathname === '/mailbox/deliver' && request.method === 'POST') {
      let text = '';
      for await (const chunk of request) text += String(chunk);
      const letter = JSON.parse(text) as Omit<Letter, 'at' | 'copies'>;
      const known = letters.find((l) => l.messageId === letter.messageId);
      if (known) known.copies += 1;
      else letters.unshift({ ...letter, at: new Date(now()).toISOString(), copies: 1 });
      return send(response, '{}', 'application/json');
    }
    if (url.pathname !== '/mailbox') return false;
    const to = url.searchParams.get('to');
    const shown = letters.filter((letter) => !to || letter.to === to);
    const list = shown.map(
      (letter) => `<section><h2>${escape(letter.subject)}</h2>
        <p><small>To <a href="/mailbox?to=${encodeURIComponent(letter.to)}">${escape(letter.to)}</a>, ${escape(letter.at)}${letter.copies > 1 ? `, ${letter.copies} copies` : ''}</small></p>
        <p style="white-space:pre-line">${linked(letter.text)}</p></section>`,
    );
    return send(response, page('Mailbox', WHAT, list.join('') || '<p>No mail yet.</p>'));
  };
}
