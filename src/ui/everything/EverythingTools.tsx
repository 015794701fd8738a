'use client';
import ColumnsIcon from '@mui/icons-material/ViewColumnOutlined';
import PrintIcon from '@mui/icons-material/PrintOutlined';
import SaveIcon from '@mui/icons-material/FileDownloadOutlined';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { PlanLine } from '@/core/exchange/list/listFormat';
import { everythingTexts as say } from '@/core/texts/everything';
import deskStyles from '../plan/PlanDesk.module.css';
import styles from './Everything.module.css';
import { planLine } from './planLine';
import type { EverythingTable } from './RowTable';

const ColumnsMenu = dynamic(async () => (await import('./ColumnsMenu')).ColumnsMenu);
const SaveMenu = dynamic(async () => (await import('./SaveMenu')).SaveMenu);

/** What can be done with the list as it stands: as a file, on paper, with fewer columns. */
export function EverythingTools({ table }: { table: EverythingTable }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [saving, setSaving] = useState<HTMLElement>();
  const tool = { className: deskStyles.tool, size: 'small', variant: 'outlined' } as const;
  return (
    <span className={styles.tools}>
      <Button
        {...tool}
        startIcon={<SaveIcon />}
        aria-haspopup="menu"
        onClick={(event) => setSaving(event.currentTarget)}
      >
        {say.saveMenu}
      </Button>
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
      {saving ? (
        <SaveMenu lines={() => linesOf(table)} anchor={saving} onClose={() => setSaving(undefined)} />
      ) : null}
      {anchor ? <ColumnsMenu table={table} anchor={anchor} onClose={() => setAnchor(undefined)} /> : null}
    </span>
  );
}

const linesOf = (table: EverythingTable): PlanLine[] =>
  table.getRowModel().rows.map(({ original }) => planLine(original));
