import { entryTexts } from '@/core/texts/entries';
import type { EverythingRow } from './everythingView';

export type ShownChoice = 'all' | 'shown' | 'notYet' | 'draft';
export type LinksChoice = 'any' | 'some' | 'none' | 'fails' | 'moved' | 'untested';
export type Search = Readonly<{
  words: string;
  /** Empty: all kinds. */
  kind: string;
  shown: ShownChoice;
  links: LinksChoice;
}>;

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

/** Whether a row holds every word and passes the filters. */
export function fits(row: EverythingRow, { words, kind, shown, links }: Search): boolean {
  if ((kind && row.kind !== kind) || !isShown(row, shown) || !hasLinks(row, links)) return false;
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return true;
  const text = textOf(row);
  return wanted.every((word) => text.includes(word));
}
