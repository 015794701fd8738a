import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { OutsideTime } from './outsideCalendar';
import { soundsClosed } from './soundsClosed';

const time = (title: string, cancelled = false): OutsideTime => ({
  uid: title,
  title,
  place: '',
  url: '',
  start: Temporal.PlainDate.from('2026-10-20'),
  cancelled,
});

test.each([
  ['No school (staff day)', true],
  ['Schools closed: storm', true],
  ['Reading week', true],
  ['District closure', true],
  ['Snow day', true],
  ['School board meets', false],
  ['Applications close', false],
  ['Closing night of the play', false],
  ['Class photographs', false],
])('“%s”', (title, closed) => expect(soundsClosed([time(title)]).length === 1).toBe(closed));

test('what is called off says nothing', () => expect(soundsClosed([time('No school', true)])).toEqual([]));
