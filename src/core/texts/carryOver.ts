import * as en from './compiled/en/carryOver';
import { extend } from './extend';

const of = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** Words of carrying a plan over to another term. */
export const carryTexts = extend(en.carryTexts, {
  /** The day of an outline, which has no dates. */
  outlineDay: (week: number | undefined, weekday: string) =>
    week === undefined ? `${weekday}, outside the weeks` : `week ${week}, ${weekday}`,
  times: (now: number, before: number) =>
    now === before ? of(now, 'time', 'times') : `${now} of ${of(before, 'time', 'times')}`,
  counts: (carried: number, left: number, look: number) =>
    [`${carried} to carry over`, left > 0 ? `${left} left out` : '', look > 0 ? `${look} to look at` : '']
      .filter(Boolean)
      .join(', '),
  along: (materials: number, themes: number) =>
    `${[
      materials > 0 ? of(materials, 'material', 'materials') : '',
      themes > 0 ? of(themes, 'theme of a week', 'themes of weeks') : '',
    ]
      .filter(Boolean)
      .join(' and ')} ${materials + themes === 1 ? 'comes' : 'come'} along`,
});
