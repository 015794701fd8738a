'use client';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { seeAsTexts } from '@/core/texts/seeAs';
import styles from './Frame.module.css';

/** As whom the plan is looked at: oneself, a student, a section, the public. */
export function SeeAsSelect({
  choices,
  chosen,
}: {
  choices: readonly Readonly<{ key: string; label: string }>[];
  chosen?: string;
}) {
  const router = useRouter();
  const path = usePathname();
  const params = useSearchParams();
  return (
    <label className={styles.seeAs}>
      {seeAsTexts.label}{' '}
      <select
        aria-label={seeAsTexts.label}
        value={chosen ?? ''}
        onChange={(event) => {
          const next = new URLSearchParams(params);
          if (event.target.value) next.set('as', event.target.value);
          else next.delete('as');
          router.push(`${path}?${next}`);
        }}
      >
        <option value="">{seeAsTexts.yourself}</option>
        {choices.map(({ key, label }) => (
          <option key={key} value={key}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
