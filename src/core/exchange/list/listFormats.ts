import { csvList } from './csvList';
import { htmlList } from './htmlList';
import type { ListFormat } from './listFormat';
import { markdownList } from './markdownList';
import { spreadsheetList } from './spreadsheetList';

/** Every format that a list of a plan can be saved in, in the order in which they are offered. */
export const LIST_FORMATS: readonly ListFormat[] = [spreadsheetList, csvList, htmlList, markdownList];
