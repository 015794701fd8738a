import { expect, test } from 'vitest';
import { meetsAt } from './meetsAt';

const sheet = { place: 'Loft 2', meetingLink: 'https://meet.example/loft' };

test.each([
  ['a time like the others', {}, sheet],
  ['a time in its own place is nowhere else', { place: 'Shed' }, { place: 'Shed', meetingLink: '' }],
  ['a time by its own link', { meetingLink: 'https://x.example/' }, { place: '', meetingLink: 'https://x.example/' }],
])('%s', (_, slot, where) => expect(meetsAt(sheet, slot)).toEqual(where)); // prettier-ignore
