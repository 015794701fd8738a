'use client';
import Button from '@mui/material/Button';
import { studentTexts } from '@/core/texts/student';
import { useSubmit } from '../controls/useSubmit';

/** Says that what changed was seen: the marks go. */
export function SawChanges() {
  const { submit, busy } = useSubmit();
  return (
    <Button
      variant="outlined"
      disabled={busy}
      onClick={() => void submit('DELETE', '/api/changes', undefined, () => studentTexts.sawIt)}
    >
      {studentTexts.seen}
    </Button>
  );
}
