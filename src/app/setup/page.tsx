import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { setupTexts } from '@/core/texts/school';
import { zonesInUse } from '@/core/time/zoneData';
import { isEmpty } from '@/server/frame/isEmpty';
import { asksSetupCode } from '@/server/frame/setupCode';
import { sharedPembit } from '@/server/pembit';
import { SetupForm } from '@/ui/school/SetupForm';
import styles from '@/ui/school/School.module.css';

export const metadata: Metadata = { title: setupTexts.title };

export default async function SetupPage() {
  if (!(await isEmpty(sharedPembit()))) notFound();
  return (
    <main className={styles.narrow}>
      <h1>{setupTexts.title}</h1>
      <p>{setupTexts.lead}</p>
      <SetupForm asksCode={asksSetupCode()} zones={zonesInUse} />
    </main>
  );
}
