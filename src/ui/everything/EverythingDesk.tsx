'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { ListFormat } from '@/core/exchange/list/listFormat';
import { LIST_FORMATS } from '@/core/exchange/list/listFormats';
import { entryTexts } from '@/core/texts/entries';
import { everythingTexts as say } from '@/core/texts/everything';
import { linkTexts } from '@/core/texts/links';
import { Field } from '../controls/Field';
import { saveFile } from '../controls/saveFile';
import { Select } from '../controls/Select';
import type { Desk } from '../plan/PlanDesk';
import { PlanDesk } from '../plan/PlanDesk';
import deskStyles from '../plan/PlanDesk.module.css';
import type { DeskData } from '../plan/planItem';
import { BulkActs } from './BulkActs';
import styles from './Everything.module.css';
import type { EverythingRow } from './everythingView';
import type { LinksChoice, Search, ShownChoice } from './findRows';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { findRows } from './findRows';
import { RowTable } from './RowTable';

type Range = Readonly<{ from: string; to: string }>;
type Props = Range & Readonly<{ rows: Packed<readonly EverythingRow[]>; data: Packed<DeskData> }>;

/** The plain list: search, filter, sort, choose several and act on them; the panel beside it. */
export function EverythingDesk({ from, to, ...given }: Props) {
  const rows = useUnpacked(given.rows);
  const data = useUnpacked(given.data);
  return <PlanDesk data={data}>{(desk) => <List desk={desk} rows={rows} from={from} to={to} />}</PlanDesk>;
}

function List({ rows, desk, from, to }: Range & { rows: readonly EverythingRow[]; desk: Desk }) {
  const router = useRouter();
  const [search, setSearch] = useState<Search>({
    words: '',
    kind: '',
    shown: 'all',
    links: 'any',
    by: 'date',
    down: false,
  });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const list = useMemo(() => findRows(rows, search), [rows, search]);
  const set = (changes: Partial<Search>) => setSearch({ ...search, ...changes });
  const range = (a: string, b: string) => a && b && router.push(`?from=${a}&to=${b}`);
  const kinds = [...new Map(rows.map((row) => [row.kind, entryTexts.kind[row.kind]]))];
  const picked = rows.filter((row) => chosen.has(row.id) && row.movable && row.entry);
  return (
    <>
      <div className={deskStyles.heading}>
        <h1 id="plan-title">{say.title}</h1>
        <p className="soft" aria-live="polite">
          {say.count(list.length, rows.length)}
        </p>
        <span className={styles.tools}>
          {LIST_FORMATS.map((format) => (
            <Button
              key={format.id}
              className={deskStyles.tool}
              size="small"
              variant="outlined"
              onClick={() => save(format, list)}
            >
              {say.saveAs(format.name)}
            </Button>
          ))}
          <Button className={deskStyles.tool} size="small" variant="outlined" onClick={() => window.print()}>
            {say.print}
          </Button>
        </span>
      </div>
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
        <Field label={say.from} type="date" value={from} onChange={(a) => range(a, to)} />
        <Field label={say.to} type="date" value={to} onChange={(b) => range(from, b)} />
      </div>
      {picked.length > 0 ? (
        <BulkActs picked={picked} desk={desk} onDone={() => setChosen(new Set())} />
      ) : null}
      {list.length === 0 ? <p className="empty">{say.none}</p> : null}
      <RowTable
        rows={list}
        desk={desk}
        chosen={chosen}
        onChoose={setChosen}
        sort={search}
        onSort={(by) => set({ by, down: search.by === by && !search.down })}
      />
    </>
  );
}

/** The list as it stands, as a file. */
function save({ file, type, write }: ListFormat, list: readonly EverythingRow[]): void {
  const lines = list.map((row) => ({
    week: row.week,
    date: row.start.slice(0, 10),
    day: row.day,
    time: row.time,
    tags: row.tags.map(({ tag }) => tag).join(' '),
    kind: entryTexts.kind[row.kind],
    title: row.title,
    shown: entryTexts.release[row.release],
  }));
  saveFile(file, write(lines), type);
}
