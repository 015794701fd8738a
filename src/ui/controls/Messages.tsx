'use client';
import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { createContext, useCallback, useContext, useEffect, useState, useTransition } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { callApi } from './callApi';
import type { MessageAct } from './messageAct';

/** `number` tells one from the next: each has its own time on the screen. */
type Message = Readonly<{
  number: number;
  /** Said once the page shows what it speaks of. */
  held?: boolean;
  text: string;
  history?: string;
  acts: readonly MessageAct[];
}>;
type Say = (text: string, history?: string, acts?: readonly MessageAct[]) => void;

const MessagesContext = createContext<Say>(() => undefined);

/** Reports an act; with a history id the message can undo it. */
export const useMessages = (): Say => useContext(MessagesContext);

// Fetched with the first message: most pages that are read have none.
const MessageBar = dynamic(() => import('./MessageBar').then((module) => module.MessageBar), { ssr: false });

const NEXT_PAGE = 'say-on-next-page';

/** Reports an act on the page that is opened next, however it is opened. */
export const sayOnNextPage = (text: string, history?: string): void =>
  sessionStorage.setItem(NEXT_PAGE, JSON.stringify({ text, history }));

export function Messages({ children }: { children: ReactNode }) {
  const router = useRouter();
  const [message, setMessage] = useState<Message>();
  const [open, setOpen] = useState(false);
  const [refreshing, refresh] = useTransition();
  const say = useCallback<Say>((text, history, acts = []) => {
    setMessage((before) => ({ number: (before?.number ?? 0) + 1, text, history, acts }));
    setOpen(true);
  }, []);
  const path = usePathname();
  useEffect(() => {
    const timer = setTimeout(() => {
      const kept = sessionStorage.getItem(NEXT_PAGE);
      if (!kept) return;
      sessionStorage.removeItem(NEXT_PAGE);
      const { text, history } = JSON.parse(kept) as Readonly<{ text: string; history?: string }>;
      say(text, history);
    });
    return () => clearTimeout(timer);
  }, [path, say]);
  const undo = async (history: string) => {
    const answer = await callApi('POST', `/api/history/${history}/undo`);
    say(answer.ok ? frameTexts.undone : answer.message);
    if (answer.ok) setMessage((said) => said && { ...said, held: true });
    refresh(() => router.refresh());
  };
  return (
    <MessagesContext.Provider value={say}>
      {children}
      {message && !(message.held && refreshing) ? (
        <MessageBar
          key={message.number}
          message={message}
          open={open}
          onClose={() => setOpen(false)}
          onUndo={(history) => void undo(history)}
        />
      ) : null}
    </MessagesContext.Provider>
  );
}
