'use client';
import dynamic from 'next/dynamic';
import formStyles from './EntryForm.module.css';
import styles from './RichText.module.css';

const RichText = dynamic(() => import('./RichText'), {
  ssr: false,
  loading: () => <div className={styles.waiting} />,
});

/** Formatted text under its label. The editor is large and comes after the form, into a box of its own height. */
export function RichTextField(props: { label: string; value: string; onChange: (html: string) => void }) {
  return (
    <div>
      <div className={formStyles.legend}>{props.label}</div>
      <RichText {...props} />
    </div>
  );
}
