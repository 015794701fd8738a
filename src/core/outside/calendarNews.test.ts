import { expect, test } from 'vitest';
import { day } from '../../../tests/support/plans';
import { calendarNews } from './calendarNews';
import type { OutsideTime } from './outsideCalendar';

const on = (uid: string, date: string, changes: Partial<OutsideTime> = {}): OutsideTime => ({ uid, title: uid, place: '', url: '', start: day(date), cancelled: false, ...changes }); // prettier-ignore
const news = (before: OutsideTime[], after: OutsideTime[]) =>
  calendarNews(before, after).map(({ kind, title, was = '', now = '' }) => `${kind} ${title} ${was}>${now}`);

test('what is new, what moved and what is gone, matched by UID; what is the same is no news', () => {
  const before = [on('a', '2026-10-30'), on('b', '2026-11-02'), on('c', '2026-11-03')];
  const after = [on('a', '2026-10-30'), on('b', '2026-11-04'), on('d', '2026-11-05')];
  expect(news(before, after)).toEqual([
    'changed b 2026-11-02>2026-11-04',
    'new d >2026-11-05',
    'gone c 2026-11-03>',
  ]);
});

test.each([
  ['its title', { title: 'Another' }],
  ['its place', { place: 'Town quay' }],
  ['its address', { url: 'https://club.example/' }],
  ['its end', { end: day('2026-11-01') }],
  ['that it was called off', { cancelled: true }],
])('%s is a change', (_, changes) => {
  expect(calendarNews([on('a', '2026-10-30')], [on('a', '2026-10-30', changes)])).toMatchObject([{ kind: 'changed' }]); // prettier-ignore
});
