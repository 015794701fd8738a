import { COURSE_PAIRS, GROUNDS } from '@/core/palette/palette';
import type { Scheme } from '@/core/palette/palette';

const variables = (scheme: Scheme): string => {
  const g = GROUNDS[scheme];
  return `--paper:${g.paper};--card:${g.card};--ink:${g.ink};--soft:${g.soft};--rule:${g.rule};--edge:${g.edge};--spruce:${g.spruce};--accent:${g.spruce};--today:${g.marigoldGround};--mark:${g.marigold};--hatch:${g.hatch}`;
};

/** For each course colour: what carries it, and an embed whose headings and links have it. */
const colors = (scheme: Scheme, under = ''): string =>
  Object.entries(COURSE_PAIRS[scheme])
    .map(([name, { ink }]) => `${under}.${name}{--course:${ink}}${under}.accent-${name}{--accent:${ink}}`)
    .join('');

const all = (scheme: Scheme) => `:root{${variables(scheme)}}${colors(scheme)}`;
const forced = (scheme: Scheme) =>
  `.scheme-${scheme}{${variables(scheme)}}${Object.entries(COURSE_PAIRS[scheme])
    .map(([name, { ink }]) => `.scheme-${scheme} .${name}{--course:${ink}}.scheme-${scheme}.accent-${name}{--accent:${ink}}`)
    .join('')}`; // prettier-ignore

/**
 * The whole style of an embed, the same bytes for all of them: without fonts or pictures, from 280 px on, light and dark,
 * and on paper. What an instructor chose is a class of the page.
 */
export const embedStyle = `${all('light')}
@media (prefers-color-scheme:dark){${all('dark')}}
${forced('light')}${forced('dark')}
*{box-sizing:border-box}
body{margin:0;padding:16px;background:var(--paper);color:var(--ink);font:15px/1.45 system-ui,sans-serif;overflow-wrap:anywhere}
h1{font-size:1.25em;margin:0 0 8px;color:var(--accent)}
h2{font-size:1em;margin:20px 0 4px}
h2.range{font-size:1.1em;margin:8px 0}
a{color:var(--accent)}
h2 a,.title,.back,.pager a,.foot a{display:inline-block;padding:2px 0;min-height:24px}
.plain{padding-left:18px;margin:4px 0 12px}
.plain li{padding:3px 0}
.links a{display:inline-block;padding:3px 0;min-height:26px}
h2 a{text-decoration:none}
h2 a:hover{text-decoration:underline}
ul{list-style:none;margin:0;padding:0}
.pager{display:flex;flex-wrap:wrap;gap:4px 20px;margin:0 0 8px}
.day>li{display:flex;flex-wrap:wrap;gap:2px 12px;padding:6px 0;border-bottom:1px solid var(--rule)}
.rows-close .day>li{padding:2px 0}
.rows-roomy .day>li{padding:12px 0}
.day>li>.when{flex:0 0 100px;white-space:nowrap}
.when{font-variant-numeric:tabular-nums;color:var(--soft)}
.when a{color:inherit}
.day>li>div{flex:1 1 180px;min-width:0}
.tag{font-weight:700;font-size:.8em;color:var(--paper);background:var(--course);border-radius:3px;padding:1px 5px}
.title{font-weight:400;color:var(--ink)}
.due .title{font-weight:700}
.day>.due{border-bottom:3px solid var(--course)}
.set .title{text-decoration:underline dashed}
.outside .title{border-left:2px dotted var(--edge);padding-left:6px}
.closure .title{background:var(--hatch);padding:2px 6px;border-radius:3px}
.soft{color:var(--soft);display:block;font-size:.92em}
.today>h2,.today.week>h2{background:var(--today);box-shadow:-6px 0 0 var(--today)}
.text{white-space:pre-line}
.filters{margin:0 0 12px}
.filters summary{cursor:pointer;min-height:24px}
.filters fieldset{border:0;border-left:2px solid var(--rule);margin:8px 0;padding:0 0 0 10px}
.filters legend{font-weight:600;padding:0}
.filters label{display:inline-block;min-height:28px;margin-right:14px}
.filters button{font:inherit;padding:4px 12px;border:1px solid var(--edge);border-radius:4px;background:var(--card);color:var(--ink)}
.month{width:100%;border-collapse:collapse;table-layout:fixed}
.month th{text-align:left;font-weight:600;font-size:.85em;color:var(--soft);padding:2px 6px}
.month td{position:relative;vertical-align:top;border:1px solid var(--rule);padding:4px 6px;height:76px}
.rows-close .month td{height:52px}
.rows-roomy .month td{height:110px}
.month .date{display:inline-block;min-width:24px;min-height:24px;color:inherit;text-decoration:none;font-weight:600}
.month .narrow{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}
.month .other{color:var(--soft);background:var(--paper)}
.month .today{background:var(--today);box-shadow:inset 0 3px 0 var(--mark)}
.month .closed{background:repeating-linear-gradient(135deg,var(--hatch) 0 4px,transparent 4px 8px)}
.month li{font-size:.85em;line-height:1.3;margin-bottom:4px}
.month .due{border-bottom:2px solid var(--course)}
${[1, 2, 3].map((n) => `.month .lanes-${n} ul{padding-top:${n * 26}px}`).join('')}
.month .bar{position:absolute;z-index:1;left:2px;height:24px;padding:0 5px;overflow:hidden;white-space:nowrap;text-overflow:ellipsis;font-size:.85em;line-height:21px;background:var(--card);border:0 solid var(--course,var(--edge));border-top-width:2px}
.month .bar .title{padding:0;line-height:22px}
${[0, 1, 2].map((n) => `.month .lane-${n}{top:${30 + n * 26}px}`).join('')}
${[1, 2, 3, 4, 5, 6, 7].map((n) => `.month .reach-${n}{width:calc(${n * 100}% + ${n - 5}px)}`).join('')}
.month .begins{border-left-width:2px}.month .ends{border-right-width:2px}
.month .until{color:var(--soft);margin-left:6px}.month .ends .until{display:none}
.unseen{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}
.times{display:flex;flex-wrap:wrap;gap:6px}
.times li{border:1px solid var(--edge);border-radius:4px;padding:4px 8px;font-variant-numeric:tabular-nums}
.times .taken{border-color:var(--rule);color:var(--soft);text-decoration:line-through}
.times .soft{display:inline;text-decoration:none}
:focus-visible{outline:2px solid var(--accent);outline-offset:2px}
@media (max-width:560px){
.month,.month tbody,.month tr,.month td{display:block;height:auto!important;border:0;padding:0}
.month thead,.month .empty,.month .other{display:none}
.month td{border-top:1px solid var(--rule);padding:6px 0}
.month tr[class] ul{padding-top:0}
.month .bar{position:static;width:auto;height:auto;white-space:normal;margin:2px 0}
.month .bar .title{min-height:24px}
.month .ends .until{display:inline}
.month .narrow{position:static;width:auto;height:auto;overflow:visible;clip-path:none}.month .wide{display:none}
}
@media print{body{padding:0;background:none}.filters,.pager{display:none}}`;
