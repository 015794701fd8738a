import { groupBy } from '../groupBy';
import type { LoadItem } from './loadItem';

/** Each piece of work once, on the day on which most of its students have it due; in the order of these days. */
export const commonDates = (items: readonly LoadItem[]): LoadItem[] =>
  [...groupBy(items, ({ id }) => id).values()]
    .map((days) => days.reduce((most, item) => (item.people.length > most.people.length ? item : most)))
    .sort((a, b) => a.due - b.due);
