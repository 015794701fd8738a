import * as en from './compiled/en/retention';
import { extend } from './extend';
import type { RetentionClass } from '../frame/retention';
import { RETENTION } from '../frame/retention';

/** Words for how long a school keeps what it holds about people. */
export const retentionTexts = extend(en.retentionTexts, {
  hint: (name: RetentionClass) => en.retentionTexts.hint({ suggested: RETENTION[name].suggested }),
});
