import type { Handler } from './http';
import { redirect, send } from './http';
import { escape, page } from './page';

const KINDS: Record<string, string> = { handouts: 'Handout', recordings: 'Recording', quizzes: 'Quiz' };
const WHAT = 'a small simulated library of course materials.';
const SLOW_MS = 4000;

/**
 * Pages that materials link to: every handout, recording and quiz has one. A name that ends in `-lost` does not open,
 * one in `-slow` takes its time, one in `-moved` leads on to the page without it.
 */
export const library: Handler = async (_request, response, url) => {
  const match = /^\/library\/(handouts|recordings|quizzes)\/([a-z0-9-]+?)(-lost|-slow|-moved)?$/.exec(
    url.pathname,
  );
  if (!match) return false;
  const [, shelf = '', name = '', manner] = match;
  if (manner === '-moved') return redirect(response, `/library/${shelf}/${name}`, 301);
  if (manner === '-lost')
    return send(response, page('Not found', WHAT, '<p>This page is gone.</p>'), undefined, 404);
  if (manner === '-slow') await new Promise((resolve) => setTimeout(resolve, SLOW_MS));
  const title = `${KINDS[shelf]}: ${name.replaceAll('-', ' ')}`;
  return send(
    response,
    page(title, WHAT, `<p>The content of <em>${escape(name)}</em> would stand here.</p>`),
  );
};
