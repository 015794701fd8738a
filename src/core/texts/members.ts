import * as en from './compiled/en/members';
import { extend } from './extend';

/** The roster of a course: choosing students, moving them, those who came late and those who left. */
export const memberTexts = extend(en.memberTexts, {
  wentBefore: (classes: number, work: number) =>
    [
      classes === 1 ? '1 class' : `${classes} classes`,
      ...(work > 0 ? [work === 1 ? '1 piece of work still open' : `${work} pieces of work still open`] : []),
    ].join(', '),
});
