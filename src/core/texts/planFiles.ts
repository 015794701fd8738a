import * as en from './compiled/en/planFiles';
import { extend } from './extend';

/** Words of plans kept as files. */
export const planFileTexts = extend(en.planFileTexts, {
  name: (code: string, term: string, outline: boolean) => {
    const name = [code, outline ? en.planFileTexts.outlineName : term].filter(Boolean).join(' ');
    return `${name || en.planFileTexts.planName}.zip`;
  },
});
