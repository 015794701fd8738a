import * as en from './compiled/en/pacing';
import { extend } from './extend';
type Pacing = Readonly<{ unit: 'days' | 'weeks'; count: number }>;

const after = ({ unit, count }: Pacing) =>
  unit === 'days' ? `${count === 1 ? '1 day' : `${count} days`} after` : `At the end of week ${count} from`;

/** Words of dates by each student's own start. */
export const pacingTexts = extend(en.pacingTexts, {
  /** Of a reader for whom the date stands above, or of a feed for many. */
  rule: (pacing: Pacing) => `${after(pacing)} one’s own start; the date here is the last day.`,
  begun: (pacing: Pacing, on: string, last: string) =>
    `${after(pacing)} your start on ${on}; the last day is ${last}.`,
});
