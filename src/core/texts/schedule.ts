import * as en from './compiled/en/schedule';
import { extend } from './extend';

const said = en.scheduleTexts;

/** Words of schedules that are pasted. */
export const scheduleTexts = extend(en.scheduleTexts, {
  taken: ({
    topics,
    entries,
    closures,
    same,
  }: Readonly<{ topics: number; entries: number; closures: number; same: number }>) => {
    if (topics + entries + closures === 0) return said.nothingNew;
    const what = [
      ...(topics > 0 ? [said.takenClasses({ n: topics })] : []),
      ...(entries > 0 ? [said.takenEntries({ n: entries })] : []),
      ...(closures > 0 ? [said.takenClosures({ n: closures })] : []),
    ];
    return same > 0 ? said.stoodThere({ said: said.planned({ what }), n: same }) : said.planned({ what });
  },
});
