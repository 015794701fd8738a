import * as en from './compiled/en/schedule';
import { extend } from './extend';

/** Words of schedules that are pasted. */
export const scheduleTexts = extend(en.scheduleTexts, {
  summary: (n: number, same: number, open: number) =>
    [
      n === 0
        ? 'Nothing was found that can be planned.'
        : n === 1
          ? '1 thing was found.'
          : `${n} things were found.`,
      same === 0 ? '' : same === 1 ? '1 stands in the plan already.' : `${same} stand in the plan already.`,
      open === 0 ? '' : open === 1 ? '1 is asked about.' : `${open} are asked about.`,
    ]
      .filter(Boolean)
      .join(' '),
  taken: ({
    topics,
    entries,
    closures,
    same,
  }: Readonly<{ topics: number; entries: number; closures: number; same: number }>) =>
    topics + entries + closures === 0
      ? 'Nothing was new'
      : `Planned ${[
          topics === 0 ? '' : topics === 1 ? '1 class' : `${topics} classes`,
          entries === 0 ? '' : entries === 1 ? '1 entry' : `${entries} entries`,
          closures === 0 ? '' : closures === 1 ? '1 closure' : `${closures} closures`,
        ]
          .filter(Boolean)
          .join(', ')}${same > 0 ? `; ${same} stood there already` : ''}`,
  unknownKind: (word: string) => (word === '' ? 'What is it?' : `“${word}” is no kind here. What is it?`),
});
