'use client';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { createContext, useCallback, useContext, useState } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { callApi } from './callApi';

/** Something else that can be done from the message: bring along what hangs on a date, tell the students. */
export type MessageAct = Readonly<{ label: string; run: () => unknown }>;
type Message = Readonly<{ text: string; history?: string; acts: readonly MessageAct[] }>;
type Say = (text: string, history?: string, acts?: readonly MessageAct[]) => void;

const MessagesContext = createContext<Say>(() => undefined);

/** Reports an act; with a history id the message can undo it. */
export const useMessages = (): Say => useContext(MessagesContext);

const PLAIN = { color: 'inherit', textDecoration: 'underline' } as const;

export function Messages({ children }: { children: ReactNode }) {
  const router = useRouter();
  const [message, setMessage] = useState<Message>();
  const [open, setOpen] = useState(false);
  const say = useCallback<Say>((text, history, acts = []) => {
    setMessage({ text, history, acts });
    setOpen(true);
  }, []);
  const undo = async (history: string) => {
    const answer = await callApi('POST', `/api/history/${history}/undo`);
    say(answer.ok ? frameTexts.undone : answer.message);
    router.refresh();
  };
  return (
    <MessagesContext.Provider value={say}>
      {children}
      <Snackbar
        open={open}
        autoHideDuration={15_000}
        onClose={(_, reason) => reason !== 'clickaway' && setOpen(false)}
        message={message?.text}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        action={
          message ? (
            <>
              {message.acts.map((act) => (
                <Button key={act.label} size="small" style={PLAIN} onClick={() => void act.run()}>
                  {act.label}
                </Button>
              ))}
              {message.history ? (
                <Button size="small" style={PLAIN} onClick={() => undo(message.history!)}>
                  {frameTexts.undo}
                </Button>
              ) : null}
            </>
          ) : undefined
        }
      />
    </MessagesContext.Provider>
  );
}
