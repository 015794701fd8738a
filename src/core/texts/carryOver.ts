import * as en from './compiled/en/carryOver';
import { extend } from './extend';

const said = en.carryTexts;

/** Words of carrying a plan over to another term. */
export const carryTexts = extend(en.carryTexts, {
  /** The day of an outline, which has no dates. */
  outlineDay: (week: number | undefined, weekday: string) =>
    week === undefined ? said.outsideWeeks({ weekday }) : said.outlineDay({ week, weekday }),
  times: (now: number, before: number) =>
    now === before ? said.allTimes({ n: now }) : said.someTimes({ now, before }),
  along: (materials: number, themes: number) =>
    said.along({
      what: [
        ...(materials > 0 ? [said.materials({ n: materials })] : []),
        ...(themes > 0 ? [said.themes({ n: themes })] : []),
      ],
      n: materials + themes,
    }),
});
