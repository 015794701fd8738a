'use client';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { frameTexts } from '@/core/texts/frame';
import styles from './Frame.module.css';
import type { TermChoice } from './termChoices';

/** The terms to choose from, each with when it is. */
export function TermList({
  anchor,
  terms,
  shown,
  onChoose,
  onClose,
}: {
  anchor: HTMLElement;
  terms: readonly TermChoice[];
  shown: string;
  onChoose: (term: TermChoice) => void;
  onClose: () => void;
}) {
  return (
    <Menu open anchorEl={anchor} onClose={onClose} aria-label={frameTexts.terms}>
      {terms.map((term) => (
        <MenuItem
          key={term.id}
          role="menuitemradio"
          aria-checked={term.id === shown}
          selected={term.id === shown}
          onClick={() => onChoose(term)}
        >
          <span className={styles.termChoice}>
            {term.name} <span className="soft">{term.when}</span>
          </span>
        </MenuItem>
      ))}
    </Menu>
  );
}
