import type { Handler } from './http';
import { send } from './http';
import { escape, page } from './page';

const KINDS: Record<string, string> = { handouts: 'Handout', recordings: 'Recording', quizzes: 'Quiz' };

/** Pages that materials link to: every handout, recording and quiz has one. */
export const library: Handler = async (_request, response, url) => {
  const match = /^\/library\/(handouts|recordings|quizzes)\/([a-z0-9-]+)$/.exec(url.pathname);
  if (!match) return false;
  const [, shelf = '', name = ''] = match;
  const title = `${KINDS[shelf]}: ${name.replaceAll('-', ' ')}`;
  return send(
    response,
    page(
      title,
      'a small simulated library of course materials.',
      `<p>The content of <em>${escape(name)}</em> would stand here.</p>`,
    ),
  );
};
