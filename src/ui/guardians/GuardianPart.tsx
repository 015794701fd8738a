'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Managed } from './GuardianSection';

const GuardianSection = dynamic(async () => (await import('./GuardianSection')).GuardianSection);

/** One's own guardians: what there is stands there, and the form with its words comes when it is wanted. */
export function GuardianPart({
  start,
  say,
}: Readonly<{ start: Managed; say: Readonly<{ title: string; lead: string; begin: string }> }>) {
  const [open, setOpen] = useState(start.items.length > 0);
  if (open) return <GuardianSection start={start} />;
  return (
    <section className="card" aria-label={say.title}>
      <h2>{say.title}</h2>
      <p className="soft">{say.lead}</p>
      <div>
        <Button variant="outlined" onClick={() => setOpen(true)}>
          {say.begin}
        </Button>
      </div>
    </section>
  );
}
