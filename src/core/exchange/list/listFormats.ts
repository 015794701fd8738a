import { csvList } from './csvList';
import type { ListFormat } from './listFormat';
import { markdownList } from './markdownList';

/** Every format that a list of a plan can be saved in, in the order in which they are offered. */
export const LIST_FORMATS: readonly ListFormat[] = [csvList, markdownList];
