import { entryTexts } from '@/core/texts/entries';
import type { EverythingRow } from './everythingView';

export const COLUMNS = ['week', 'date', 'time', 'tags', 'kind', 'title', 'shown'] as const;
export type Column = (typeof COLUMNS)[number];
export type ShownChoice = 'all' | 'shown' | 'notYet' | 'draft';
export type LinksChoice = 'any' | 'some' | 'none' | 'fails' | 'moved' | 'untested';
export type Search = Readonly<{
  words: string;
  /** Empty: all kinds. */
  kind: string;
  shown: ShownChoice;
  links: LinksChoice;
  by: Column;
  down: boolean;
}>;

const keyOf: Record<Column, (row: EverythingRow) => string> = {
  week: (row) => row.start,
  date: (row) => row.start,
  time: (row) => row.time,
  tags: (row) => row.tags.map((tag) => tag.tag).join(' '),
  kind: (row) => entryTexts.kind[row.kind],
  title: (row) => row.title.toLowerCase(),
  shown: (row) => entryTexts.release[row.release],
};

function isShown({ release }: EverythingRow, wanted: ShownChoice): boolean {
  if (wanted === 'all') return true;
  return wanted === 'notYet' ? release === 'notYet' || release === 'over' : release === wanted;
}

function hasLinks({ links }: EverythingRow, wanted: LinksChoice): boolean {
  if (wanted === 'any') return true;
  return wanted === 'some' ? links !== 'none' : links === wanted;
}

const textOf = (row: EverythingRow) =>
  [
    row.title,
    row.detail,
    entryTexts.kind[row.kind],
    row.day,
    `week ${row.week}`,
    ...row.tags.map((t) => t.tag),
  ]
    .join(' ')
    .toLowerCase();

/** The rows that hold every word and pass the filters, sorted; rows that sort alike stay in the order of time. */
export function findRows(
  rows: readonly EverythingRow[],
  { words, kind, shown, links, by, down }: Search,
): EverythingRow[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const key = keyOf[by];
  return rows
    .filter((row) => (!kind || row.kind === kind) && isShown(row, shown) && hasLinks(row, links))
    .filter((row) => wanted.every((word) => textOf(row).includes(word)))
    .map((row, i) => ({ row, i, key: key(row) }))
    .sort((a, b) => {
      const order = a.key < b.key ? -1 : a.key > b.key ? 1 : 0;
      return (down ? -order : order) || a.i - b.i;
    })
    .map(({ row }) => row);
}
