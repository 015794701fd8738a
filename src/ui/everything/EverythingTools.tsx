'use client';
import ColumnsIcon from '@mui/icons-material/ViewColumnOutlined';
import PrintIcon from '@mui/icons-material/PrintOutlined';
import SaveIcon from '@mui/icons-material/FileDownloadOutlined';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { ListFormat } from '@/core/exchange/list/listFormat';
import { LIST_FORMATS } from '@/core/exchange/list/listFormats';
import { entryTexts } from '@/core/texts/entries';
import { everythingTexts as say } from '@/core/texts/everything';
import { saveFile } from '../controls/saveFile';
import deskStyles from '../plan/PlanDesk.module.css';
import styles from './Everything.module.css';
import type { EverythingTable } from './RowTable';
import type { EverythingRow } from './everythingView';

const ColumnsMenu = dynamic(async () => (await import('./ColumnsMenu')).ColumnsMenu);

/** What can be done with the list as it stands: as a file, on paper, with fewer columns. */
export function EverythingTools({ table }: { table: EverythingTable }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const tool = { className: deskStyles.tool, size: 'small', variant: 'outlined' } as const;
  return (
    <span className={styles.tools}>
      {LIST_FORMATS.map((format) => (
        <Button key={format.id} {...tool} startIcon={<SaveIcon />} onClick={() => save(format, table)}>
          {say.saveAs(format.name)}
        </Button>
      ))}
      <Button {...tool} startIcon={<PrintIcon />} onClick={() => window.print()}>
        {say.print}
      </Button>
      <Button
        {...tool}
        startIcon={<ColumnsIcon />}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {say.chooseColumns}
      </Button>
      {anchor ? <ColumnsMenu table={table} anchor={anchor} onClose={() => setAnchor(undefined)} /> : null}
    </span>
  );
}

const lineOf = (row: EverythingRow) => ({
  week: row.week,
  date: row.start.slice(0, 10),
  day: row.day,
  time: row.time,
  tags: row.tags.map(({ tag }) => tag).join(' '),
  kind: entryTexts.kind[row.kind],
  title: row.title,
  shown: entryTexts.release[row.release],
});

/** The list as it stands, as a file. */
function save({ file, type, write }: ListFormat, table: EverythingTable): void {
  saveFile(file, write(table.getRowModel().rows.map(({ original }) => lineOf(original))), type);
}
