'use client';
import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { createContext, useCallback, useContext, useEffect, useRef, useState, useTransition } from 'react';
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

// Fetched once something was done.
const offerToTell = async (history: string, say: (text: string) => void) =>
  (await import('./tellOffer')).tellOffer(history, say);

const NEXT_PAGE = 'say-on-next-page';

/** How long the next page is waited for, in milliseconds. */
const NEXT_COMES_MS = 5000;

const forgetKept = () => sessionStorage.removeItem(NEXT_PAGE);

/**
 * Reports an act on the page that is opened next, however it is opened; where one stays, or is there
 * already, on this one. A page that comes later than it is waited for says it once more: whoever
 * carried a term over can take that back there too.
 */
export function sayOnNextPage(text: string, history?: string): void {
  sessionStorage.setItem(NEXT_PAGE, JSON.stringify({ text, history }));
  setTimeout(() => window.dispatchEvent(new Event(NEXT_PAGE)), NEXT_COMES_MS);
}

/** The page above one of a thing of its own: its list, or home. Undone, an act may have taken the thing away. */
const above = (path: string): string | undefined => {
  const [, first = '', thing] = path.split('/');
  return thing === undefined ? undefined : first.length > 1 ? `/${first}` : '/';
};

/** `tells`: whoever may tell students of what was changed. */
export function Messages({ tells = false, children }: { tells?: boolean; children: ReactNode }) {
  const router = useRouter();
  const [message, setMessage] = useState<Message>();
  const [open, setOpen] = useState(false);
  const [refreshing, refresh] = useTransition();
  const said = useRef(0);
  /** `tellOf`: the act of which whoever had seen it otherwise is offered to be told, by whichever door it was done. */
  const put = useCallback(
    (text: string, history: string | undefined, acts: readonly MessageAct[], tellOf = history) => {
      const number = ++said.current;
      setMessage({ number, text, history, acts });
      setOpen(true);
      if (!tellOf || !tells) return;
      const answered = (words: string) => {
        setMessage({ number: ++said.current, text: words, history, acts: [] });
        setOpen(true);
      };
      void offerToTell(tellOf, answered).then((offer) => {
        if (offer && said.current === number)
          setMessage({ number: ++said.current, text, history, acts: [...acts, offer] });
      });
    },
    [tells],
  );
  const say = useCallback<Say>((text, history, acts = []) => put(text, history, acts), [put]);
  const path = usePathname();
  useEffect(() => {
    const sayKept = () => {
      const kept = sessionStorage.getItem(NEXT_PAGE);
      if (!kept) return;
      const { text, history } = JSON.parse(kept) as Readonly<{ text: string; history?: string }>;
      say(text, history);
    };
    const timer = setTimeout(() => {
      sayKept();
      forgetKept();
    });
    window.addEventListener(NEXT_PAGE, sayKept);
    return () => {
      clearTimeout(timer);
      window.removeEventListener(NEXT_PAGE, sayKept);
    };
  }, [path, say]);
  const undo = async (history: string) => {
    forgetKept();
    const answer = await callApi('POST', `/api/history/${history}/undo`);
    const list = answer.ok ? above(path) : undefined;
    const left =
      list && (await fetch(window.location.href, { method: 'HEAD' })).status === 404 ? list : undefined;
    put(
      answer.ok ? frameTexts.undone : answer.message,
      undefined,
      [],
      answer.ok ? answer.history : undefined,
    );
    if (answer.ok) setMessage((said) => said && { ...said, held: true });
    refresh(() => (left ? router.replace(left) : router.refresh()));
  };
  return (
    <MessagesContext.Provider value={say}>
      {children}
      {message && !(message.held && refreshing) ? (
        <MessageBar
          key={message.number}
          message={message}
          open={open}
          onClose={() => {
            forgetKept();
            setOpen(false);
          }}
          onUndo={(history) => void undo(history)}
        />
      ) : null}
    </MessagesContext.Provider>
  );
}
