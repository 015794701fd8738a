'use client';
import dynamic from 'next/dynamic';
import { studentTexts } from '@/core/texts/student';
import { useAct } from '../controls/useSubmit';

// On most visits nothing has changed.
const Button = dynamic(() => import('@mui/material/Button'));

/** Says that what changed was seen: the marks go. */
export function SawChanges() {
  const { act, busy } = useAct();
  return (
    <Button
      variant="outlined"
      disabled={busy}
      onClick={() => void act('DELETE', '/api/changes', undefined, () => studentTexts.sawIt)}
    >
      {studentTexts.seen}
    </Button>
  );
}
