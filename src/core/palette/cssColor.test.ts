import { expect, test } from 'vitest';
import { COURSE_CSS_COLORS } from './cssColor';

test('calendar files name each course by a colour of its own that looks like what is seen', () =>
  // Looked at beside the palette: plum is violet, copper brown; none is black or grey but slate.
  expect(COURSE_CSS_COLORS).toEqual({
    brick: 'brown',
    sea: 'royalblue',
    plum: 'darkslateblue',
    olive: 'darkgreen',
    copper: 'saddlebrown',
    slate: 'dimgray',
    rose: 'maroon',
    indigo: 'mediumblue',
    moss: 'green',
    teal: 'teal',
  }));
