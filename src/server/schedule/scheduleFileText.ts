import { readFile } from 'node:fs/promises';
import { Parser } from 'htmlparser2';
import { openPackage } from '../materials/openPackage';

/** Why a file is no schedule that can be read. */
export type ScheduleFileRefusal = 'calendar' | 'unreadable' | 'tooLarge' | 'tooManyRows';
export type ScheduleFileText = Readonly<{ text: string } | { refused: ScheduleFileRefusal }>;

const LARGEST_INSIDE = 100 * 1024 * 1024;
const MOST_ROWS = 1000;
const MOST_COLUMNS = 40;

/** `tzid`: the zone in which a calendar's times are said; absent: a calendar is no such file. */
type ScheduleFile = Readonly<{ path: string; name: string; tzid?: string }>;

/** Reads a schedule file to the text that a person would have pasted: rows as lines, cells apart by tabs. */
export async function scheduleFileText({ path, name, tzid }: ScheduleFile): Promise<ScheduleFileText> {
  const ending = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  if (ending === 'ics') return tzid === undefined ? { refused: 'calendar' } : calendarText(path, tzid);
  if (ending === 'xlsx' || ending === 'docx') {
    const inside = await openPackage(path);
    if ('refused' in inside) return { refused: inside.refused === 'notZip' ? 'unreadable' : 'tooLarge' };
    // Looked at before anything is unpacked: one part alone is not larger than a schedule may be.
    const part = ending === 'xlsx' ? 'xl/workbook.xml' : 'word/document.xml';
    const isThere = inside.names.has(part);
    const fits =
      (await inside.read(ending === 'xlsx' ? 'xl/worksheets/sheet1.xml' : part, LARGEST_INSIDE)) !==
      undefined;
    inside.close();
    if (!isThere) return { refused: 'unreadable' };
    if (!fits) return { refused: 'tooLarge' };
    return ending === 'xlsx' ? sheetText(path) : textOfHtml(await documentHtml(path));
  }
  const text = decoded(await readFile(path));
  if (text.includes('\u0000')) return { refused: 'unreadable' };
  return ending === 'html' || ending === 'htm' ? textOfHtml(text) : { text };
}

async function calendarText(path: string, tzid: string): Promise<ScheduleFileText> {
  const { readCalendar } = await import('@/core/icalendar/readCalendar');
  const { calendarAsList } = await import('@/core/schedule/calendarAsList');
  const calendar = readCalendar(await readFile(path), { tzid });
  if (!calendar.ok) return { refused: 'unreadable' };
  const lines = calendarAsList(calendar, tzid);
  return lines.length > MOST_ROWS ? { refused: 'tooManyRows' } : { text: lines.join('\n') };
}

function decoded(bytes: Buffer): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** A cell as it would have been typed: a date as `2026-10-15`, a formula as what it came to. */
const cellText = (cell: unknown): string =>
  cell instanceof Date ? cell.toISOString().slice(0, 10) : cell === null || cell === undefined ? '' : String(cell as string).replace(/\s+/g, ' ').trim(); // prettier-ignore

async function sheetText(path: string): Promise<ScheduleFileText> {
  const { readSheet } = await import('read-excel-file/node');
  const rows = await readSheet(path);
  if (rows.length > MOST_ROWS) return { refused: 'tooManyRows' };
  return { text: rows.map((row) => row.slice(0, MOST_COLUMNS).map(cellText).join('\t')).join('\n') };
}

async function documentHtml(path: string): Promise<string> {
  const { default: mammoth } = await import('mammoth');
  return (await mammoth.convertToHtml({ path })).value;
}

const LINES = new Set(['p', 'li', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'tr', 'div', 'br']);

/** The text of a page: its paragraphs, and the rows of its tables, as lines. */
function textOfHtml(html: string): ScheduleFileText {
  const lines: string[] = [];
  let line = '';
  let cells: string[] | undefined;
  let hidden = 0;
  const end = () => {
    if (cells) return;
    if (line.trim() !== '') lines.push(line.replace(/\s+/g, ' ').trim());
    line = '';
  };
  const parser = new Parser({
    onopentagname(name) {
      if (name === 'script' || name === 'style') hidden++;
      else if (name === 'tr') {
        end();
        cells = [];
        line = '';
      } else if (name === 'td' || name === 'th') line = '';
      else if (LINES.has(name) && cells) line += ' ';
      else if (LINES.has(name)) end();
    },
    ontext(text) {
      if (hidden === 0) line += text;
    },
    onclosetag(name) {
      if (name === 'script' || name === 'style') hidden--;
      else if (name === 'td' || name === 'th') {
        cells?.push(line.replace(/\s+/g, ' ').trim());
        line = '';
      } else if (name === 'tr') {
        if (cells?.some(Boolean)) lines.push(cells.join('\t'));
        cells = undefined;
        line = '';
      } else if (LINES.has(name)) end();
    },
  });
  parser.write(html);
  parser.end();
  end();
  return lines.length > MOST_ROWS ? { refused: 'tooManyRows' } : { text: lines.join('\n') };
}
