import * as en from './compiled/en/away';
import { extend } from './extend';

/** What is called off, counted: classes, and times of office hours. */
const counted = (classes: number, times: number) => [
  ...(classes > 0 ? [en.awayTexts.countedClasses({ n: classes })] : []),
  ...(times > 0 ? [en.awayTexts.countedTimes({ n: times })] : []),
];

/** Words of being away: what is called off at once. */
export const awayTexts = extend(en.awayTexts, {
  act: (classes: number, times: number) => en.awayTexts.act({ what: counted(classes, times) }),
  done: (classes: number, times: number) =>
    en.awayTexts.done({
      what: classes + times === 0 ? [en.awayTexts.countedClasses({ n: 0 })] : counted(classes, times),
    }),
});
