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
.soft{color:var(--soft)}.text{margin:4px 0;white-space:pre-line}.link{display:block}.tick{display:inline-flex;gap:8px;align-items:center;min-height:44px}.tick input{width:20px;height:20px}.note{background:var(--note);padding:8px 12px}a{color:inherit;display:inline-block;padding:8px 0}`;

/** Draws what is kept, as text: nothing of it is taken for HTML, and links lead to web addresses alone. */
const SCRIPT = `(() => {
  const say = ${JSON.stringify({ nothing: offlineTexts.nothing, since: offlineTexts.since({ when: '{when}' }), done: offlineTexts.done, ticked: offlineTexts.ticked })};
  const note = document.getElementById('note');
  const add = (to, name, text, cls) => {
    const made = document.createElement(name);
    if (text) made.textContent = text;
    if (cls) made.className = cls;
    to.append(made);
    return made;
  };
  const when = (kept) => {
    try { return new Date(kept.savedAt).toLocaleString(kept.locale, { dateStyle: 'medium', timeStyle: 'short' }); }
    catch { return new Date(kept.savedAt).toLocaleString(); }
  };
  const link = (to, { url, label }) => {
    let at;
    try { at = new URL(url, location.href); } catch { return; }
    if (at.protocol !== 'https:' && at.protocol !== 'http:') return;
    const made = add(to, 'a', label || url, 'link');
    made.href = at.href;
    made.rel = 'noopener';
  };
  const tick = (to, database, person, entry, title, ticked) => {
    const label = add(to, 'label', '', 'tick');
    const box = add(label, 'input');
    box.type = 'checkbox';
    box.checked = ticked;
    box.setAttribute('aria-label', say.done + ': ' + title);
    add(label, 'span', say.done);
    const said = add(to, 'div', ticked ? say.ticked : '', 'soft');
    said.setAttribute('role', 'status');
    box.onchange = () => {
      const change = database.transaction('${KEPT.ticks}', 'readwrite');
      change.objectStore('${KEPT.ticks}').put({ person, entry, done: box.checked }, entry);
      change.oncomplete = () => { said.textContent = say.ticked; };
    };
  };
  const draw = (database, kept, ticks) => {
    if (!kept) { note.textContent = say.nothing; return; }
    note.textContent = say.since.replace('{when}', when(kept));
    const main = document.querySelector('main');
    for (const day of kept.days) {
      add(main, 'h2', day.heading);
      const list = add(main, 'ul');
      for (const line of day.lines) {
        const item = add(list, 'li');
        add(item, 'span', line.time, 'soft');
        const what = add(item, 'div', (line.tags ? line.tags + ': ' : '') + line.title);
        if (line.detail) add(what, 'div', line.detail, 'soft');
        if (line.text) add(what, 'p', line.text, 'text');
        for (const each of line.links || []) link(what, each);
        if (line.work) tick(what, database, kept.person, line.work, line.title, ticks.has(line.work));
      }
    }
  };
  const open = indexedDB.open('${KEPT.database}', ${KEPT.version});
  open.onupgradeneeded = () => {
    for (const store of ${JSON.stringify([KEPT.store, KEPT.ticks])})
      if (!open.result.objectStoreNames.contains(store)) open.result.createObjectStore(store);
  };
  open.onerror = () => draw();
  open.onsuccess = () => {
    const read = open.result.transaction(${JSON.stringify([KEPT.store, KEPT.ticks])});
    const kept = read.objectStore('${KEPT.store}').get('${KEPT.key}');
    const ticks = read.objectStore('${KEPT.ticks}').getAll();
    // Signing out elsewhere takes the plan off the device: this page does not hold it.
    open.result.onversionchange = () => open.result.close();
    read.oncomplete = () => draw(open.result, kept.result, new Set(ticks.result.filter((t) => t.done).map((t) => t.entry)));
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
