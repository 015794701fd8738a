import * as en from './compiled/en/away';
import { extend } from './extend';
import { listed } from './entries';

const counted = (n: number, one: string, several: string) => `${n} ${n === 1 ? one : several}`;

/** Words of being away: what is called off at once. */
export const awayTexts = extend(en.awayTexts, {
  act: (classes: number, times: number) =>
    `Call off ${listed([
      ...(classes > 0 ? [counted(classes, 'class', 'classes')] : []),
      ...(times > 0 ? [counted(times, 'time', 'times')] : []),
    ])}`,
  done: (classes: number, times: number) =>
    `Called off ${listed([
      ...(classes > 0 || times === 0 ? [counted(classes, 'class', 'classes')] : []),
      ...(times > 0 ? [counted(times, 'time', 'times')] : []),
    ])}`,
});
