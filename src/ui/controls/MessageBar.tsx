'use client';
import UndoIcon from '@mui/icons-material/UndoOutlined';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { frameTexts } from '@/core/texts/frame';
import type { MessageAct } from './messageAct';

const PLAIN = { color: 'inherit', textDecoration: 'underline' } as const;

/** What was done, with what can be done about it. */
export function MessageBar({
  message,
  open,
  onClose,
  onUndo,
}: {
  message: Readonly<{ text: string; history?: string; acts: readonly MessageAct[] }>;
  open: boolean;
  onClose: () => void;
  onUndo: (history: string) => void;
}) {
  const { text, history, acts } = message;
  return (
    <Snackbar
      open={open}
      autoHideDuration={15_000}
      onClose={(_, reason) => reason !== 'clickaway' && onClose()}
      message={text}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      action={
        <>
          {acts.map((act) => (
            <Button key={act.label} size="small" style={PLAIN} onClick={() => void act.run()}>
              {act.label}
            </Button>
          ))}
          {history ? (
            <Button size="small" style={PLAIN} startIcon={<UndoIcon />} onClick={() => onUndo(history)}>
              {frameTexts.undo}
            </Button>
          ) : null}
        </>
      }
    />
  );
}
