'use client';
import type { RowSelectionState, SortingState } from '@tanstack/react-table';
import { useTable } from '@tanstack/react-table';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { everythingTexts as say } from '@/core/texts/everything';
import { entryTexts } from '@/core/texts/entries';
import { linkTexts } from '@/core/texts/links';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useKept } from '../controls/useKept';
import { DayField } from '../days/DayField';
import type { Desk } from '../plan/PlanDesk';
import { PlanDesk } from '../plan/PlanDesk';
import deskStyles from '../plan/PlanDesk.module.css';
import type { DeskData } from '../plan/planItem';
import { EverythingTools } from './EverythingTools';
import styles from './Everything.module.css';
import { columns, features } from './everythingTable';
import type { EverythingRow } from './everythingView';
import type { LinksChoice, Search, ShownChoice } from './fits';
import { fits } from './fits';
import { RowTable } from './RowTable';

const BulkActs = dynamic(async () => (await import('./BulkActs')).BulkActs);

type Range = Readonly<{ from: string; to: string }>;
type Props = Range & Readonly<{ rows: Packed<readonly EverythingRow[]>; data: Packed<DeskData> }>;

const ANY: Search = { words: '', kind: '', shown: 'all', links: 'any' };
const FIRST_SORT: SortingState = [{ id: 'date', desc: false }];

/** The plain list: search, filter, sort, choose several and act on them; the panel beside it. */
export function EverythingDesk({ from, to, ...given }: Props) {
  const rows = useUnpacked(given.rows);
  const data = useUnpacked(given.data);
  return (
    <PlanDesk data={data}>
      {(desk) => <List desk={desk} courses={data.courses} rows={rows} from={from} to={to} />}
    </PlanDesk>
  );
}

type ListProps = Range &
  Readonly<{ rows: readonly EverythingRow[]; desk: Desk; courses: DeskData['courses'] }>;

function List({ rows, desk, courses, from, to }: ListProps) {
  const [search, setSearch] = useState(ANY);
  const [sorting, setSorting] = useState(FIRST_SORT);
  const [rowSelection, setRowSelection] = useState<RowSelectionState>({});
  const [columnVisibility, keepColumns] = useKept<Record<string, boolean>>('everything-columns', {});
  const table = useTable({
    features,
    columns,
    data: rows,
    getRowId: (row) => row.id,
    enableRowSelection: ({ original }) => original.movable && original.entry !== undefined,
    enableSortingRemoval: false,
    // Once for a row, not for each of its cells.
    getColumnCanGlobalFilter: ({ id }) => id === 'title',
    globalFilterFn: ({ original }, _, wanted: Search) => fits(original, wanted),
    state: { sorting, rowSelection, columnVisibility, globalFilter: search },
    onSortingChange: setSorting,
    onRowSelectionChange: setRowSelection,
    onColumnVisibilityChange: (next) =>
      keepColumns(typeof next === 'function' ? next(columnVisibility) : next),
  });
  const found = table.getRowModel().rows;
  const picked = rows.filter((row) => rowSelection[row.id] && row.movable && row.entry);
  return (
    <>
      <div className={deskStyles.heading}>
        <h1 id="plan-title">{say.title}</h1>
        <p className="soft" aria-live="polite">
          {say.count(found.length, rows.length)}
        </p>
        <EverythingTools table={table} />
      </div>
      <Filters search={search} onSearch={setSearch} rows={rows} from={from} to={to} />
      {picked.length > 0 ? (
        <BulkActs picked={picked} desk={desk} courses={courses} onDone={() => setRowSelection({})} />
      ) : null}
      {found.length === 0 ? <p className="empty">{say.none}</p> : null}
      <RowTable table={table} desk={desk} />
    </>
  );
}

function Filters({
  search,
  onSearch,
  rows,
  from,
  to,
}: Range & { search: Search; onSearch: (search: Search) => void; rows: readonly EverythingRow[] }) {
  const router = useRouter();
  const set = (changes: Partial<Search>) => onSearch({ ...search, ...changes });
  const range = (a: string, b: string) => a && b && router.push(`?from=${a}&to=${b}`);
  const kinds = [...new Map(rows.map((row) => [row.kind, entryTexts.kind[row.kind]]))];
  return (
    <div className={styles.filters}>
      <Field label={say.search} value={search.words} onChange={(words) => set({ words })} type="search" />
      <Select
        label={say.kind}
        value={search.kind}
        options={[{ value: '', label: say.all }, ...kinds.map(([value, label]) => ({ value, label }))]}
        onChange={(kind) => set({ kind })}
      />
      <Select
        label={say.shown}
        value={search.shown}
        options={Object.entries(say.shownChoices).map(([value, label]) => ({ value, label }))}
        onChange={(shown) => set({ shown: shown as ShownChoice })}
      />
      <Select
        label={linkTexts.filter}
        value={search.links}
        options={Object.entries(linkTexts.filters).map(([value, label]) => ({ value, label }))}
        onChange={(links) => set({ links: links as LinksChoice })}
      />
      <DayField label={say.from} daysOnly width="100%" value={from} onChange={(a) => range(a, to)} />
      <DayField label={say.to} daysOnly width="100%" value={to} onChange={(b) => range(from, b)} />
    </div>
  );
}
