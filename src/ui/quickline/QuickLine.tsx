'use client';
import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import { quickFieldTexts as quickTexts } from '@/core/texts/quickField';
import { callApi } from '../controls/callApi';
import { sayOnNextPage, useMessages } from '../controls/Messages';
import { useKept } from '../controls/useKept';
import type { PanelState } from '../plan/panelState';
import { NONE } from '../plan/panelState';
import styles from './QuickLine.module.css';
import type { Find, QuickView } from './quickView';

// Comes when one enters the field.
const comes = () => import('./QuickReading').then((module) => module.QuickReading);
const QuickReading = dynamic(comes, { ssr: false });

/** How long typing must pause before the line is read. */
const PAUSE_MS = 120;
const VIEWS = ['/term', '/week', '/everything'];

const read = (line: string) => callApi<QuickView>('GET', `/api/quick-line?line=${encodeURIComponent(line)}`);

/** One line that adds an entry or finds one, with what it understood below it while one types. */
export function QuickLine({ notesOnly }: { notesOnly: boolean }) {
  const router = useRouter();
  const path = usePathname();
  const say = useMessages();
  const [line, keepLine] = useKept('quick-line', '');
  const [view, setView] = useState<QuickView>();
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState<string>();
  const [, keepPanel] = useKept<PanelState>('panel', NONE);
  const [, keepSchedule] = useKept('schedule', '');
  const field = useRef<HTMLInputElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const saving = useRef(false);
  // What stands in the field now, while an answer is awaited.
  const now = useRef(line);

  useEffect(() => {
    now.current = line;
  }, [line]);
  useEffect(() => {
    if (!open || line.trim() === '') return;
    let wanted = true;
    const timer = setTimeout(() => {
      void read(line).then((answer) => {
        if (!wanted) return;
        setView(answer.ok ? answer.value : undefined);
        setMessage(answer.ok ? undefined : answer.message);
      });
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [line, open]);

  const type = (text: string) => {
    keepLine(text === '' ? undefined : text);
    setOpen(true);
    setMessage(undefined);
    if (text.trim() === '') setView(undefined);
  };
  /** Several lines are a schedule: they are read where there is room for them. */
  const paste = (event: ClipboardEvent<HTMLInputElement>) => {
    const text = event.clipboardData.getData('text');
    if (notesOnly || text.split('\n').filter((each) => each.trim() !== '').length < 2) return;
    event.preventDefault();
    keepSchedule(text);
    router.push('/schedule');
  };
  const show = (id: string) => {
    keepPanel({ kind: 'entry', id });
    if (!VIEWS.includes(path)) router.push('/term');
  };
  const openFind = ({ entry, meeting }: Find) => {
    setOpen(false);
    if (entry) show(entry);
    else if (meeting) {
      keepPanel({ kind: 'class', meeting });
      if (!VIEWS.includes(path)) router.push('/term');
    }
  };
  /** Reads the line as it stands now, and adds what it says if nothing is left to ask: once, however often one presses Enter. */
  const save = async () => {
    if (saving.current) return;
    saving.current = true;
    await addOnce();
    saving.current = false;
  };
  const addOnce = async () => {
    const answer = await read(line);
    if (!answer.ok) return setMessage(answer.message);
    setView(answer.value);
    setOpen(true);
    const { ready, leads } = answer.value;
    if (leads) {
      keepLine(undefined);
      setOpen(false);
      return router.push(leads.href);
    }
    if (!ready) return box.current?.querySelector<HTMLElement>('button')?.focus();
    const added = await callApi<{ id: string }>('POST', '/api/entries', ready.input);
    if (!added.ok) return setMessage(Object.values(added.fields)[0] ?? added.message);
    // A note is written beside what one is doing; what staff add is opened beside the plan.
    const stays = notesOnly || VIEWS.includes(path);
    const report = stays ? say : sayOnNextPage;
    report(quickTexts.added({ title: ready.title }), added.history);
    // What was typed meanwhile is the next line.
    if (now.current === line) {
      keepLine(undefined);
      setView(undefined);
      setOpen(false);
    }
    if (!notesOnly || VIEWS.includes(path)) show(added.value.id);
    router.refresh();
  };
  const choose = (text: string) => {
    type(text);
    field.current?.focus();
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      setOpen(false);
      field.current?.focus();
    }
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    const buttons = [...(box.current?.querySelectorAll<HTMLElement>('button') ?? [])];
    if (buttons.length === 0) return;
    event.preventDefault();
    const at = buttons.indexOf(document.activeElement as HTMLElement) + (event.key === 'ArrowDown' ? 1 : -1);
    (at < 0 ? field.current : buttons[Math.min(at, buttons.length - 1)])?.focus();
  };
  const shown = view?.line === line || message ? view : undefined;
  const showing = open && line.trim() !== '' && (shown !== undefined || message !== undefined);

  return (
    <div
      className={styles.quick}
      onKeyDown={onKey}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
    >
      <form
        role="search"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <input
          ref={field}
          className={styles.field}
          aria-label={quickTexts.label}
          aria-expanded={showing}
          aria-controls="quick-reading"
          role="combobox"
          aria-autocomplete="none"
          aria-haspopup="dialog"
          autoComplete="off"
          spellCheck={false}
          maxLength={500}
          placeholder={notesOnly ? quickTexts.placeholderNotes : quickTexts.placeholder}
          value={line}
          onFocus={() => {
            setOpen(true);
            void comes();
          }}
          onPaste={paste}
          onChange={(event) => type(event.target.value)}
        />
      </form>
      <div id="quick-reading" ref={box} className={styles.reading} hidden={!showing} aria-live="polite">
        {message ? <p role="alert">{message}</p> : null}
        {shown ? (
          <QuickReading view={shown} onChoose={choose} onSave={() => void save()} onFind={openFind} />
        ) : null}
      </div>
    </div>
  );
}
