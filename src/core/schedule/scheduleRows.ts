import Papa from 'papaparse';

/** What a column of a table holds. */
export type Role =
  'date' | 'week' | 'class' | 'topic' | 'due' | 'set' | 'time' | 'notes' | 'event' | 'points' | 'kind';
export type Cell = Readonly<{ role?: Role; text: string }>;

/** A line of a list, or a row of a table with what its columns hold. */
export type ScheduleRow = Readonly<{ text: string; cells?: readonly Cell[] }>;

/** More is no schedule of a course. */
export const MOST_ROWS = 1000;
const LONGEST = 2000;

const ROLES: readonly (readonly [RegExp, Role])[] = [
  [/^(?:week|wk\.?|week\s*(?:#|no\.?|number)|weeks)$/i, 'week'],
  [/^(?:date|dates|day|when|week of|week beginning|class date|meeting date|days?\/dates?)$/i, 'date'],
  [/^(?:class|#|no\.?|session|lecture|meeting|lesson|class\s*(?:#|no\.?|number)|lecture\s*#)$/i, 'class'],
  [/(?:due|assign|homework|\bhw\b|hand[- ]?in|deliverable|deadline|submi)/i, 'due'],
  [/^(?:set|handed out|given out|released|out)$/i, 'set'],
  [/^(?:topics?|subjects?|titles?|themes?|contents?|what|unit|module|lecture topic|class topic|in class|what we do)$/i, 'topic'],
  [/^(?:events?|activit(?:y|ies)|also)$/i, 'event'],
  [/^(?:time|times|hours?)$/i, 'time'],
  [/^(?:points?|weight|worth|marks?|%)$/i, 'points'],
  [/^(?:type|kind)$/i, 'kind'],
  [/(?:reading|read|notes?|remarks?|comments?|resources?|materials?|room|place|where|who|instructor|chapter|pages?|bring)/i, 'notes'],
]; // prettier-ignore

/** What a head names; a head is a word or a few, without numbers. */
function roleOf(head: string): Role | undefined {
  const text = head.trim();
  if (/\d/.test(text) || text.split(/\s+/).length > 4) return undefined;
  return ROLES.find(([pattern]) => pattern.test(text))?.[1];
}

/** The cells of each row, where a text is a table: by tabs, by bars, or by commas that come in equal number. */
function tableOf(text: string): string[][] | undefined {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const share = (pattern: RegExp) =>
    lines.filter((line) => pattern.test(line)).length / Math.max(1, lines.length);
  if (share(/\t/) > 0.5) return parsed(text, '\t');
  if (share(/\|.*\|?/) > 0.6 && lines.length > 1)
    return lines
      .filter((line) => !/^[\s|:+=-]+$/.test(line))
      .map((line) => line.trim().replace(/^\||\|$/g, '').split('|').map((cell) => cell.trim())); // prettier-ignore
  for (const delimiter of [',', ';']) {
    const rows = parsed(text, delimiter).filter((cells) => cells.some(Boolean));
    const heads = (rows[0] ?? []).map(roleOf);
    const width = rows[0]?.length ?? 0;
    const even = rows.filter((cells) => cells.length === width).length / Math.max(1, rows.length);
    if (width > 1 && rows.length > 1 && heads.filter(Boolean).length >= 2 && even > 0.6) return rows;
  }
  return undefined;
}

const parsed = (text: string, delimiter: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter }).data.map((cells) => cells.map((cell) => cell.trim()));

const WITHOUT_BULLET = /^\s*(?:[-*•–·▪◦o]\s+|\[[ x]?\]\s*|\(?\d{1,2}[.)]\s+(?=\S))/i;

/** Lines of a list, or rows of a table whose columns are known by their heads, or, without heads, by their places. */
export function scheduleRows(text: string): ScheduleRow[] {
  const clean = text.replace(/^\uFEFF/, '').replace(/\u00A0/g, ' ');
  const table = tableOf(clean);
  if (!table)
    return clean
      .split(/\r?\n/)
      .slice(0, MOST_ROWS)
      .map((line) => line.slice(0, LONGEST).replace(WITHOUT_BULLET, '').trim())
      .filter(Boolean)
      .map((line) => ({ text: line }));
  const rows = table.filter((cells) => cells.some((cell) => cell !== '')).slice(0, MOST_ROWS);
  const heads = rows[0]!.map(roleOf);
  const hasHead = heads.filter(Boolean).length >= 2 || (heads.filter(Boolean).length === 1 && rows[0]!.length <= 2 && !/\d/.test(rows[0]!.join(' '))); // prettier-ignore
  const width = Math.max(...rows.map((cells) => cells.length));
  const roles: readonly (Role | undefined)[] = hasHead
    ? withTopic(heads)
    : Array.from({ length: width }, (_, i) => (i === 0 ? 'date' : i === 1 ? 'topic' : undefined));
  return rows.map((cells, i) => ({
    text: cells.filter(Boolean).join(' | ').slice(0, LONGEST),
    cells:
      hasHead && i === 0
        ? []
        : cells.map((cell, column) => ({ role: roles[column], text: cell.slice(0, LONGEST) })),
  }));
}

/** A table without a column of topics has them in the first column that nobody named. */
function withTopic(roles: readonly (Role | undefined)[]): (Role | undefined)[] {
  if (roles.includes('topic')) return [...roles];
  const free = roles.indexOf(undefined);
  return roles.map((role, i) => (i === free ? 'topic' : role));
}
