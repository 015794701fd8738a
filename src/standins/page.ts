const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
export const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => ESCAPES[c]!);

/** A page of a stand-in: its label is the first thing on it. `body` is HTML. */
export const page = (title: string, what: string, body: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escape(title)} (stand-in)</title>
<style>
body{margin:0;font:15px/1.5 system-ui,sans-serif;color:#222;background:#eef0f3}
.label{background:#222;color:#fff;padding:6px 20px;font-size:13px}
.label a{color:#fff}
main{max-width:760px;margin:24px auto;padding:20px 24px;background:#fff;border:1px solid #c9ced6}
h1{font-size:22px;margin:0 0 12px}h2{font-size:16px;margin:20px 0 6px}
textarea,input[type=text],input[type=url]{width:100%;font:13px/1.4 monospace;padding:8px;border:1px solid #777;box-sizing:border-box}
button{font:inherit;padding:6px 14px;margin:8px 8px 8px 0}
table{border-collapse:collapse;width:100%}td,th{text-align:left;padding:4px 8px 4px 0;border-bottom:1px solid #dde1e6;vertical-align:top}
.new{background:#e5f4e5}.changed{background:#fdf1d6}.gone{text-decoration:line-through;color:#5c5c5c}
</style></head><body>
<p class="label" style="margin:0">Stand-in: ${escape(what)} It ships with Pembit for demonstrations and tests. <a href="/">All stand-ins</a></p>
<main><h1>${escape(title)}</h1>${body}</main></body></html>`;
