'use client';
import { useState } from 'react';
import { daySheetTexts as say } from '@/core/texts/daySheet';
import { DayField } from '../days/DayField';

/** The first and the last day on which somebody was away, as fields of the page's form. */
export function AwayDays(given: { from: string; to: string }) {
  const [from, setFrom] = useState(given.from);
  const [to, setTo] = useState(given.to);
  return (
    <>
      <DayField label={say.from} name="from" value={from} onChange={setFrom} />
      <DayField label={say.to} name="to" value={to} onChange={setTo} />
    </>
  );
}
