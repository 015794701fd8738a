import * as en from './compiled/en/planFiles';
import { extend } from './extend';

/** Words of plans kept as files. */
export const planFileTexts = extend(en.planFileTexts, {
  name: (code: string, term: string, outline: boolean) =>
    `${[code, outline ? 'outline' : term].filter(Boolean).join(' ') || 'plan'}.zip`,
});
