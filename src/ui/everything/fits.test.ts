import { expect, test } from 'vitest';
import type { EverythingRow } from './everythingView';
import type { Search } from './fits';
import { fits } from './fits';

const row = (changes: Partial<EverythingRow>): EverythingRow => ({
  key: changes.title ?? '', id: changes.title ?? '', title: '', date: '2026-10-13', start: '2026-10-13T10:00', movable: true, kind: 'event', week: 6, day: 'Tue 13 Oct',
  time: '10:00', tags: [{ tag: 'HL', color: 'brick' }], detail: '', off: false, release: 'shown', links: 'none',
  link: '',
  until: '', ...changes,
}); // prettier-ignore
const ROWS = [
  row({ title: 'Rope walk', detail: 'The loft', links: 'fails' }),
  row({ title: 'Body plan', kind: 'due', start: '2026-10-15T17:00', release: 'draft', links: 'fine' }),
  row({ title: 'Tide quiz', kind: 'due', start: '2026-10-12T17:00', release: 'notYet', tags: [] }),
]; // prettier-ignore
const ANY: Search = { words: '', kind: '', shown: 'all', links: 'any' };
const found = (search: Partial<Search>) =>
  ROWS.filter((each) => fits(each, { ...ANY, ...search })).map((r) => r.title);

test.each<[string, Partial<Search>, string[]]>([
  ['everything', {}, ['Rope walk', 'Body plan', 'Tide quiz']],
  ['every word must be found, wherever it stands', { words: 'LOFT rope' }, ['Rope walk']],
  ['by week and tag', { words: 'week 6 hl', kind: 'due' }, ['Body plan']],
  ['a link that does not open', { links: 'fails' }, ['Rope walk']],
  ['whatever has links', { links: 'some' }, ['Rope walk', 'Body plan']],
  ['without links', { links: 'none' }, ['Tide quiz']],
  ['drafts', { shown: 'draft' }, ['Body plan']],
  ['not yet shown', { shown: 'notYet' }, ['Tide quiz']],
  ['nothing', { words: 'anchor' }, []],
])('%s', (_, search, expected) => expect(found(search)).toEqual(expected));
