'use client';
import Button from '@mui/material/Button';
import { panelTexts } from '@/core/texts/term';
import styles from './EntryPanel.module.css';
import type { PanelEntry } from './panelData';
import { ReadEntry } from './ReadEntry';

/** An entry beside the plan, read first; whoever may edit it has the two acts below. */
export function EntryPanel({
  entry,
  onEdit,
  onDelete,
}: {
  entry: PanelEntry;
  onEdit: () => void;
  onDelete: () => void;
}) {
  return (
    <>
      <ReadEntry entry={entry} heading="h2" />
      {entry.editable ? (
        <div className={styles.buttons}>
          <Button variant="contained" onClick={onEdit}>
            {panelTexts.edit}
          </Button>
          <Button variant="outlined" onClick={onDelete}>
            {panelTexts.remove}
          </Button>
        </div>
      ) : null}
    </>
  );
}
