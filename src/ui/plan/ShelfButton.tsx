'use client';
import OutlineIcon from '@mui/icons-material/FolderOutlined';
import Button from '@mui/material/Button';
import { materialTexts } from '@/core/texts/materials';
import type { Desk } from './PlanDesk';
import styles from './PlanDesk.module.css';

/** Puts the outline of a course beside the plan, or away. */
export function ShelfButton({ desk }: { desk: Desk }) {
  if (!desk.shelve) return null;
  return (
    <Button
      className={styles.tool}
      size="small"
      variant="outlined"
      startIcon={<OutlineIcon />}
      aria-pressed={desk.shelved}
      onClick={desk.shelve}
    >
      {materialTexts.shelf}
    </Button>
  );
}
