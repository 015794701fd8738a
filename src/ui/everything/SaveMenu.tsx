'use client';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { htmlList } from '@/core/exchange/list/htmlList';
import type { ListFormat, PlanLine, TextFormat } from '@/core/exchange/list/listFormat';
import { LIST_FORMATS } from '@/core/exchange/list/listFormats';
import { markdownList } from '@/core/exchange/list/markdownList';
import { everythingTexts as say } from '@/core/texts/everything';
import { frameTexts } from '@/core/texts/frame';
import { useMessages } from '../controls/Messages';
import { saveFile } from '../controls/saveFile';

/** As a table for word processors, and as text for whatever takes no table. */
function copy(lines: readonly PlanLine[]): Promise<void> {
  const as = (type: string, { write }: TextFormat) => new Blob([write(lines)], { type });
  const item = new ClipboardItem({
    'text/html': as('text/html', htmlList),
    'text/plain': as('text/plain', markdownList),
  });
  return navigator.clipboard.write([item]);
}

/** The list as it stands, as a file of some kind, or copied. */
export function SaveMenu({
  lines,
  anchor,
  onClose,
}: {
  lines: () => readonly PlanLine[];
  anchor: HTMLElement;
  onClose: () => void;
}) {
  const tell = useMessages();
  const save = async ({ file, type, write }: ListFormat) => {
    onClose();
    saveFile(file, await write(lines()), type);
  };
  const copyTable = async () => {
    onClose();
    await copy(lines()).then(
      () => tell(say.copied),
      () => tell(frameTexts.copyFailed),
    );
  };
  return (
    <Menu open anchorEl={anchor} onClose={onClose} aria-label={say.save}>
      <MenuItem dense onClick={() => void copyTable()}>
        {say.copyTable}
      </MenuItem>
      {LIST_FORMATS.map((format) => (
        <MenuItem key={format.id} dense onClick={() => void save(format)}>
          {say.saveAs({ format: format.name })}
        </MenuItem>
      ))}
    </Menu>
  );
}
