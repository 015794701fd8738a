import { entryTexts } from '../texts/entries';
import type { Occurrence } from './occurrence';

/** What an occurrence is called in a list: work on the day it is set says so, a planned class of several sections whose it is. */
export function titleOf(o: Occurrence): string {
  if (o.kind === 'set') return entryTexts.setTitle({ title: o.title });
  if (o.kind === 'class' && o.plan && o.sectionName)
    return entryTexts.ofSection({ title: o.title, section: o.sectionName });
  return o.title;
}
