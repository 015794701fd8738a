'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { TimesLine } from '@/core/signup/readTimesLine';
import { entryTexts } from '@/core/texts/entries';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { formTexts } from '@/core/texts/forms';
import { callApi } from '../controls/callApi';
import { sayOnNextPage } from '../controls/Messages';
import { useKept } from '../controls/useKept';
import { EVERYONE } from '../entries/entryDraft';
import styles from './NewSheet.module.css';
import type { SheetDraft } from './sheetDraft';
import { sentOffering } from './sheetDraft';
import type { SheetPage } from './SheetForm';
import { SheetForm, whoMayCome } from './SheetForm';
import { useSheetDraft } from './useSheetDraft';

/** A new sign-up sheet. */
export function NewSheet({
  page,
  place,
  times,
}: {
  page: SheetPage;
  place: string;
  /** What a line about office hours says: the form begins with it. */
  times?: TimesLine & Readonly<{ course?: string }>;
}) {
  const router = useRouter();
  const { courses, term, own } = page;
  const initial = useMemo<SheetDraft>(
    () => ({
      title: signupTexts.title, courses: { [courses[0]!.id]: EVERYONE }, typed: '', repeat: 'once', until: term.endsOn, length: '30', whole: false, gap: '0',
      breaks: '', leftOut: [], allTheSame: [], seats: '1', perSheet: '1', perDay: '', perWeek: '', take: signupTexts.notice.none, giveBack: signupTexts.notice.none,
      opensDay: '', opensTime: '8:00', closesDay: '', closesTime: '8:00', namesShown: false, waitingList: false, asks: false, question: '', choices: '',
      meet: 'place', place, meetingLink: courses[0]!.meetingLink, hosts: [own], together: true, links: [],
    }),
    [courses, term, place, own],
  ); // prettier-ignore
  const [draft, keep] = useKept<SheetDraft>('new-sheet', initial);
  const change = (changes: Partial<SheetDraft>) => keep({ ...draft, ...changes });
  const begun = useRef(false);
  useEffect(() => {
    if (!times || begun.current) return;
    begun.current = true;
    // A reload goes on with what was changed since.
    const address = new URL(window.location.href);
    for (const name of ['times', 'course']) address.searchParams.delete(name);
    window.history.replaceState(null, '', address);
    const { course, ...said } = times;
    const known = courses.some(({ id }) => id === course);
    keep({ ...initial, ...said, ...(known ? { courses: { [course!]: EVERYONE } } : {}) });
  }, [times, courses, initial, keep]);
  const made = useSheetDraft(draft, change, page);
  const [tried, setTried] = useState(false);
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const { count } = made.preview;
  const who = whoMayCome(courses, draft.courses);

  const offer = async (offered: boolean) => {
    setTried(true);
    const { offering } = made.typed;
    if (!made.facts.facts || !offering || count === 0) return;
    setBusy(true);
    const body = { ...made.facts.facts, offering: sentOffering(offering), offered };
    const answer = await callApi<{ id: string; times: number; title: string }>('POST', '/api/sheets', body);
    setBusy(false);
    if (!answer.ok) return setMessage([answer.message, ...Object.values(answer.fields)].join(' '));
    keep(undefined);
    const { times, title } = answer.value;
    sayOnNextPage(
      offered ? historyTexts.offered({ n: times, title }) : historyTexts.draftSheet({ title }),
      answer.history,
    );
    router.push('/office-hours');
    router.refresh();
  };
  return (
    <SheetForm
      page={page}
      draft={draft}
      change={change}
      made={made}
      tried={tried}
      onSubmit={() => void offer(true)}
    >
      <p className={styles.who}>
        <b>{formTexts.whoSees}: </b>
        {who.words} · {entryTexts.students({ n: who.count })}
      </p>
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={busy || count === 0}>
          {signupTexts.offerTo({ n: count, students: entryTexts.students({ n: who.count }) })}
        </Button>
        <Button variant="outlined" disabled={busy || count === 0} onClick={() => void offer(false)}>
          {signupTexts.keepDraft}
        </Button>
      </div>
    </SheetForm>
  );
}
