import * as en from './compiled/en/pacing';
import { extend } from './extend';

type Pacing = Readonly<{ unit: 'days' | 'weeks'; count: number }>;

/** Words of dates by each student's own start. */
export const pacingTexts = extend(en.pacingTexts, {
  /** Of a reader for whom the date stands above, or of a feed for many. */
  rule: ({ unit, count }: Pacing) =>
    (unit === 'days' ? en.pacingTexts.ruleDays : en.pacingTexts.ruleWeeks)({ count }),
  begun: ({ unit, count }: Pacing, on: string, last: string) =>
    (unit === 'days' ? en.pacingTexts.begunDays : en.pacingTexts.begunWeeks)({ count, on, last }),
});
