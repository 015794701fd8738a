'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { panelTexts } from '@/core/texts/term';
import { isoDay } from '@/core/time/typedDay';
import { DayField } from '../days/DayField';
import styles from '../entries/EntryPanel.module.css';

/** Moves an entry to a day that is typed or chosen, for touch and for whoever cannot drag; its time stays. */
export function MoveToDay({
  from,
  dayWords,
  onMove,
}: {
  from: string;
  dayWords: (date: string) => string | undefined;
  onMove: (to: string) => void;
}) {
  const [to, setTo] = useState(from);
  const words = dayWords(to) ?? to;
  return (
    <form
      className="notice"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (isoDay(to) && to !== from) onMove(to);
      }}
    >
      <DayField label={panelTexts.toDay} width="100%" value={to} onChange={setTo} autoFocus />
      <div className={styles.buttons}>
        <Button type="submit" size="small" variant="contained" disabled={!isoDay(to) || to === from}>
          {isoDay(to) ? panelTexts.moveTo({ day: words }) : panelTexts.moveToDay}
        </Button>
      </div>
    </form>
  );
}
