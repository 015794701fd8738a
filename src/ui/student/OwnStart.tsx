'use client';
import dynamic from 'next/dynamic';
import type { ComponentProps } from 'react';
import { useState } from 'react';
import { pacingTexts as say } from '@/core/texts/pacing';
import type { OwnStartForm } from './OwnStartForm';
import styles from './OwnStart.module.css';

// Most who look at what is due have said it long ago: the form comes when it is wanted.
const Form = dynamic(() => import('./OwnStartForm').then((module) => module.OwnStartForm), { ssr: false });

type Props = ComponentProps<typeof OwnStartForm> & Readonly<{ onWords: string | undefined }>;

/** When a student begins one course. */
export function OwnStart({ onWords, ...form }: Props) {
  const [wanted, setWanted] = useState(false);
  return (
    <div className={styles.course}>
      <p>
        <b>{say.course({ name: form.name, on: onWords })}</b>
      </p>
      <details onToggle={() => setWanted(true)}>
        <summary>{form.on === undefined ? say.begin : say.change}</summary>
        {wanted ? <Form {...form} /> : null}
      </details>
    </div>
  );
}
