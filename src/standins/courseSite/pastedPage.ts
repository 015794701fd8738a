import type { Handler } from '../http';
import { formOf, redirect, send } from '../http';
import { escape, page } from '../page';

const WHAT = 'a small simulated course site, on a site of its own.';

/** A page into which a snippet is pasted and then shown, scripts stripped, as editors of course sites do. */
export function pastedPage(): Handler {
  let snippet = '';
  return async (request, response, url) => {
    if (url.pathname === '/course-site/edit' && request.method === 'POST') {
      snippet = (await formOf(request)).get('snippet') ?? '';
      return redirect(response, '/course-site');
    }
    if (url.pathname === '/course-site/edit')
      return send(
        response,
        page(
          'Edit this page',
          WHAT,
          `<form method="post"><label for="snippet">HTML of the page (scripts are taken out)</label>
           <textarea id="snippet" name="snippet" rows="6">${escape(snippet)}</textarea><button>Save the page</button></form>`,
        ),
      );
    if (url.pathname === '/course-site/look') {
      // One page as others would see it, without changing what stands on the site.
      const address = url.searchParams.get('url') ?? '';
      const frame = `<iframe src="${escape(address)}" title="An embed" width="100%" height="600" style="border:1px solid #ccc"></iframe>`;
      return send(response, page('Week plan', WHAT, /^https?:/.test(address) ? frame : '<p>No address.</p>'));
    }
    if (url.pathname !== '/course-site') return false;
    const stripped = snippet.replace(/<script[\s\S]*?(<\/script>|$)/gi, '');
    const body = stripped || '<p>This page is empty. Edit it and paste the snippet of an embed.</p>';
    return send(
      response,
      page(
        'Week plan',
        WHAT,
        `${body}<p><a href="/course-site/edit">Edit this page</a> · <a href="/course-site/course">The course, with Pembit in it</a></p>`,
      ),
    );
  };
}
