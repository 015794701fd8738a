import { everythingTexts } from '../../texts/everything';
import type { PlanLine } from './listFormat';

const { columns, fileColumns } = everythingTexts;

/** The columns of a list of a plan, each with its heading. */
export const LIST_COLUMNS: readonly (readonly [keyof PlanLine, string])[] = [
  ['week', columns.week],
  ['date', columns.date],
  ['until', fileColumns.until],
  ['time', columns.time],
  ['tags', columns.tags],
  ['kind', columns.kind],
  ['title', columns.title],
  ['link', fileColumns.link],
  ['shown', columns.shown],
];
