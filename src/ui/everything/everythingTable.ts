import {
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  createFilteredRowModel,
  globalFilteringFeature,
  columnFilteringFeature,
  rowSelectionFeature,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/react-table';
import { entryTexts } from '@/core/texts/entries';
import { everythingTexts as say } from '@/core/texts/everything';
import type { EverythingRow } from './everythingView';

export const features = tableFeatures({
  columnFilteringFeature,
  columnVisibilityFeature,
  globalFilteringFeature,
  rowSelectionFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});

const column = createColumnHelper<typeof features, EverythingRow>();
const plain = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
const sorted = (id: keyof typeof say.columns, text: (row: EverythingRow) => string) =>
  column.accessor(text, {
    id,
    header: say.columns[id],
    sortFn: (a, b) => plain(text(a.original), text(b.original)),
    // Ascending first, for texts as for times.
    sortDescFirst: false,
    enableHiding: id !== 'title',
  });

/** The columns, by what they sort by; rows that sort alike stay in the order of time. */
export const columns = column.columns([
  sorted('week', (row) => row.start),
  sorted('date', (row) => row.start),
  sorted('time', (row) => row.time),
  sorted('tags', (row) => row.tags.map((tag) => tag.tag).join(' ')),
  sorted('kind', (row) => entryTexts.kind[row.kind]),
  sorted('title', (row) => row.title.toLowerCase()),
  sorted('shown', (row) => entryTexts.release[row.release]),
]);
