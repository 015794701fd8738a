import * as en from './compiled/en/tokens';
import { extend } from './extend';
import type { Capability } from '../tokens/capability';

/** Words of tokens: access for scripts and other systems. */
export const tokenTexts = extend(en.tokenTexts, {scopeWords: (capability: Capability, write: boolean) => `${write ? 'read and write' : 'read'} ${{ plan: 'the plan', materials: 'materials', hours: 'office hours', people: 'people', outlets: 'publishing', own: 'what is one’s own', school: 'the school' }[capability]}`}); // prettier-ignore
