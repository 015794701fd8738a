'use client';
import Checkbox from '@mui/material/Checkbox';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { everythingTexts as say } from '@/core/texts/everything';
import type { EverythingTable } from './RowTable';

/** Which columns are shown; it stays open, so that several can be chosen. */
export function ColumnsMenu({
  table,
  anchor,
  onClose,
}: {
  table: EverythingTable;
  anchor: HTMLElement;
  onClose: () => void;
}) {
  const hideable = table.getAllLeafColumns().filter((column) => column.getCanHide());
  return (
    <Menu open anchorEl={anchor} onClose={onClose} aria-label={say.chooseColumns}>
      {hideable.map((column) => (
        <MenuItem
          key={column.id}
          dense
          role="menuitemcheckbox"
          aria-checked={column.getIsVisible()}
          onClick={() => column.toggleVisibility()}
        >
          <Checkbox size="small" edge="start" tabIndex={-1} checked={column.getIsVisible()} inert />
          {say.columns[column.id as keyof typeof say.columns]}
        </MenuItem>
      ))}
    </Menu>
  );
}
