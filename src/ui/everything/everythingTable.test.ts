import { useTable } from '@tanstack/react-table';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import { columns, features } from './everythingTable';
import type { EverythingRow } from './everythingView';

const row = (changes: Partial<EverythingRow>): EverythingRow => ({
  key: changes.title ?? '', id: changes.title ?? '', title: '', date: '2026-10-13', start: '2026-10-13T10:00', movable: true, kind: 'event', week: 6, day: 'Tue 13 Oct',
  time: '10:00', tags: [{ tag: 'HL', color: 'brick' }], detail: '', off: false, release: 'shown', links: 'none',
  link: '',
  until: '', ...changes,
}); // prettier-ignore
const ROWS = [
  row({ title: 'Tide quiz', kind: 'due', start: '2026-10-12T17:00', time: '17:00', release: 'notYet', tags: [] }),
  row({ title: 'Rope walk' }),
  row({ title: 'body plan', kind: 'due', start: '2026-10-15T17:00', time: '17:00', release: 'draft' }),
]; // prettier-ignore

function Titles({ id, desc }: { id: string; desc: boolean }) {
  const table = useTable({ features, columns, data: ROWS, initialState: { sorting: [{ id, desc }] } });
  return table.getRowModel().rows.map(({ original }) => original.title).join(', '); // prettier-ignore
}
const sortedBy = (id: string, desc: boolean) =>
  renderToStaticMarkup(createElement(Titles, { id, desc })).split(', ');

test.each<[string, boolean, string[]]>([
  ['date', false, ['Tide quiz', 'Rope walk', 'body plan']],
  ['date', true, ['body plan', 'Rope walk', 'Tide quiz']],
  // Capitals do not come before small letters.
  ['title', false, ['body plan', 'Rope walk', 'Tide quiz']],
  // What sorts alike stays in the order of time.
  ['time', false, ['Rope walk', 'Tide quiz', 'body plan']],
  ['tags', false, ['Tide quiz', 'Rope walk', 'body plan']],
  ['kind', false, ['Tide quiz', 'body plan', 'Rope walk']],
])('sorted by %s (the other way round: %s)', (id, desc, expected) =>
  expect(sortedBy(id, desc)).toEqual(expected),
);
