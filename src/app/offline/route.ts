import { createHash } from 'node:crypto';
import { GROUNDS } from '@/core/palette/palette';
import { offlineTexts } from '@/core/texts/offline';
import { KEPT } from '@/ui/offline/keptPlan';

const { light, dark } = GROUNDS;
const STYLE = `:root{--paper:${light.paper};--ink:${light.ink};--soft:${light.soft};--rule:${light.rule};--note:${light.marigoldGround}}
@media (prefers-color-scheme:dark){:root{--paper:${dark.paper};--ink:${dark.ink};--soft:${dark.soft};--rule:${dark.rule};--note:${dark.marigoldGround}}}
body{margin:0;padding:16px;background:var(--paper);color:var(--ink);font:16px/1.45 system-ui,sans-serif;max-width:680px;overflow-wrap:anywhere}
h1{font-size:24px;margin:0 0 8px}h2{font-size:16px;margin:20px 0 4px}
ul{list-style:none;margin:0;padding:0}li{display:grid;grid-template-columns:92px 1fr;gap:12px;padding:10px 0;border-bottom:1px solid var(--rule)}
.soft{color:var(--soft)}.note{background:var(--note);padding:8px 12px}a{color:inherit;display:inline-block;padding:8px 0}`;

/** Draws what is kept, as text: nothing of it is taken for HTML. */
const SCRIPT = `(() => {
  const say = ${JSON.stringify({ nothing: offlineTexts.nothing, since: offlineTexts.since('{when}') })};
  const note = document.getElementById('note');
  const add = (to, name, text, cls) => {
    const made = document.createElement(name);
    if (text) made.textContent = text;
    if (cls) made.className = cls;
    to.append(made);
    return made;
  };
  const draw = (kept) => {
    if (!kept) { note.textContent = say.nothing; return; }
    note.textContent = say.since.replace('{when}', new Date(kept.savedAt).toLocaleString());
    const main = document.querySelector('main');
    for (const day of kept.days) {
      add(main, 'h2', day.heading);
      const list = add(main, 'ul');
      for (const line of day.lines) {
        const item = add(list, 'li');
        add(item, 'span', line.time, 'soft');
        const what = add(item, 'div', (line.tags ? line.tags + ': ' : '') + line.title);
        if (line.detail) add(what, 'div', line.detail, 'soft');
      }
    }
  };
  const open = indexedDB.open('${KEPT.database}', 1);
  open.onupgradeneeded = () => open.result.createObjectStore('${KEPT.store}');
  open.onerror = () => draw();
  open.onsuccess = () => {
    const read = open.result.transaction('${KEPT.store}').objectStore('${KEPT.store}').get('${KEPT.key}');
    read.onsuccess = () => draw(read.result);
    read.onerror = () => draw();
  };
})();`;

const hash = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark"><title>${offlineTexts.title} · Pembit</title><style>${STYLE}</style></head>
<body><main><h1>${offlineTexts.title}</h1><p id="note" class="note" role="status"></p><p><a href="/next">${offlineTexts.again}</a></p></main>
<script>${SCRIPT}</script></body></html>
`;

export const dynamic = 'force-static';

/** The page for when there is no connection. It cannot replay a nonce, so its script and style are known by their hashes. */
export const GET = () =>
  new Response(PAGE, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': `default-src 'none'; script-src ${hash(SCRIPT)}; style-src ${hash(STYLE)}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'cache-control': 'no-cache',
    },
  });
