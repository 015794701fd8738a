import { COURSE_PAIRS, GROUNDS } from '@/core/palette/palette';
import type { Scheme } from '@/core/palette/palette';

const variables = (scheme: Scheme): string => {
  const g = GROUNDS[scheme];
  return `--paper:${g.paper};--ink:${g.ink};--soft:${g.soft};--rule:${g.rule};--spruce:${g.spruce}`;
};

const tags = (scheme: Scheme): string =>
  Object.entries(COURSE_PAIRS[scheme])
    .map(([name, { ink }]) => `.${name}{--course:${ink}}`)
    .join('');

/** The whole style of an embed: small, without fonts or pictures, from 280 px on, light and dark, and on paper. */
export const embedStyle = `:root{${variables('light')}}${tags('light')}
@media (prefers-color-scheme:dark){:root{${variables('dark')}}${tags('dark')}}
*{box-sizing:border-box}
body{margin:0;padding:16px;background:var(--paper);color:var(--ink);font:15px/1.45 system-ui,sans-serif;overflow-wrap:anywhere}
h1{font-size:1.25em;margin:0 0 8px}
h2{font-size:1em;margin:20px 0 4px}
a{color:var(--spruce)}
h2 a,.title,.back{display:inline-block;padding:2px 0;min-height:24px}
.links a{display:inline-block;padding:3px 0;min-height:26px}
h2 a{text-decoration:none}
h2 a:hover{text-decoration:underline}
ul{list-style:none;margin:0;padding:0}
.day>li{display:flex;flex-wrap:wrap;gap:2px 12px;padding:6px 0;border-bottom:1px solid var(--rule)}
.when{flex:0 0 92px;font-variant-numeric:tabular-nums;color:var(--soft)}
.day>li>div{flex:1 1 180px;min-width:0}
.tag{font-weight:700;font-size:.8em;color:var(--paper);background:var(--course);border-radius:3px;padding:1px 5px}
.title{font-weight:400;color:var(--ink)}
.due .title{font-weight:700}
.day>.due{border-bottom:3px solid var(--course)}
.set .title{text-decoration:underline dashed}
.soft{color:var(--soft);display:block;font-size:.92em}
.text{white-space:pre-line}
:focus-visible{outline:2px solid var(--spruce);outline-offset:2px}
@media print{body{padding:0;background:none}}`;
