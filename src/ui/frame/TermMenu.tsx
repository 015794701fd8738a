'use client';
import ExpandIcon from '@mui/icons-material/ExpandMoreOutlined';
import dynamic from 'next/dynamic';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { TERM_COOKIE } from '@/core/frame/chosenTerm';
import { frameTexts } from '@/core/texts/frame';
import { useKept } from '../controls/useKept';
import type { PanelState } from '../plan/panelState';
import { NONE } from '../plan/panelState';
import styles from './Frame.module.css';
import type { TermChoice } from './termChoices';

const comes = () => import('./TermList').then((module) => module.TermList);
const TermList = dynamic(comes, { ssr: false });

/** Pages that speak of a term; from any other, another term is looked at on its grid. */
const OF_A_TERM = ['/term', '/week', '/everything', '/checks', '/load', '/materials', '/office-hours', '/publish']; // prettier-ignore

/** The chosen term stays until the browser is closed; whoever chooses the current one goes on with whichever is current. */
function keepTerm({ id, current }: TermChoice): void {
  const ends = current ? '; max-age=0' : '';
  const secure = window.location.protocol === 'https:' ? '; secure' : '';
  document.cookie = `${TERM_COOKIE}=${current ? '' : encodeURIComponent(id)}; path=/; samesite=lax${ends}${secure}`;
}

/** The term that is looked at, and the way to the others. */
export function TermMenu({ terms, shown }: { terms: readonly TermChoice[]; shown: string }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [, keepPanel] = useKept<PanelState>('panel', NONE);
  const router = useRouter();
  const path = usePathname();
  const asked = useSearchParams().get('term');
  // Whoever came by an address that names a term goes on in it.
  useEffect(() => {
    const named = terms.find(({ id }) => id === asked);
    if (named) keepTerm(named);
  }, [terms, asked]);
  const choose = (term: TermChoice) => {
    setAnchor(undefined);
    keepTerm(term);
    keepPanel(undefined);
    router.push(`${OF_A_TERM.includes(path) ? path : '/term'}?term=${term.id}`);
    router.refresh();
  };
  const name = terms.find(({ id }) => id === shown)?.name ?? '';
  return (
    <>
      <button
        type="button"
        className={styles.termButton}
        aria-haspopup="menu"
        aria-expanded={anchor !== undefined}
        aria-label={frameTexts.termChoose({ name })}
        onPointerEnter={() => void comes()}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {name}
        <ExpandIcon className={styles.termArrow} />
      </button>
      {anchor ? (
        <TermList
          anchor={anchor}
          terms={terms}
          shown={shown}
          onChoose={choose}
          onClose={() => setAnchor(undefined)}
        />
      ) : null}
    </>
  );
}
