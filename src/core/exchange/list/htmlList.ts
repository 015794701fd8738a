import { groupBy } from '../../groupBy';
import { escapeHtml } from '../../richText/escapeHtml';
import { everythingTexts as say } from '../../texts/everything';
import type { PlanLine, TextFormat } from './listFormat';

const row = (cells: readonly string[]) => `<tr>${cells.map((cell) => `<td>${escapeHtml(cell)}</td>`).join('')}</tr>`; // prettier-ignore
const rowOf = ({ day, time, tags, kind, title }: PlanLine) =>
  row([day, time, tags, title, kind.toLowerCase()]);

const HEAD = [say.columns.date, say.columns.time, say.columns.tags, say.columns.title, say.columns.kind];

/** A schedule by weeks as a table: word processors take it from a page, or from the clipboard, as a table of theirs. */
export const htmlList: TextFormat = {
  id: 'html',
  name: 'a web page',
  file: 'plan.html',
  type: 'text/html',
  write: (lines) =>
    [
      `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${say.fileTitle}</title></head><body>`,
      '<table border="1" cellspacing="0" cellpadding="4">',
      `<thead><tr>${HEAD.map((name) => `<th scope="col">${name}</th>`).join('')}</tr></thead><tbody>`,
      ...[...groupBy(lines, ({ week }) => week)].flatMap(([week, own]) => [
        `<tr><th scope="rowgroup" colspan="${HEAD.length}" align="left">${say.weekHeading({ week })}</th></tr>`,
        ...own.map(rowOf),
      ]),
      '</tbody></table></body></html>',
      '',
    ].join('\n'),
};
