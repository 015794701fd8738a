import type { Metadata } from 'next';
import { publishTexts, subscribeTexts } from '@/core/texts/publish';
import { outletsFor } from '@/server/outlets/publish';
import { sharedPembit } from '@/server/pembit';
import { CopyField } from '@/ui/controls/CopyField';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import styles from './subscribe.module.css';

export const metadata: Metadata = { title: subscribeTexts.title };

export default async function SubscribePage() {
  const actor = await signedInOr('/subscribe');
  const own = (await outletsFor(sharedPembit(), actor)).find((outlet) => outlet.audience === 'personal');
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <h1>{subscribeTexts.title}</h1>
        <p>{subscribeTexts.lead}</p>
        {own ? (
          <>
            <section className="card">
              <h2>{subscribeTexts.onPhone}</h2>
              <p className="soft">{subscribeTexts.onPhoneLead}</p>
              <p>
                <a className={styles.button} href={own.url.replace(/^https?:/, 'webcal:')}>
                  {publishTexts.subscribe}
                </a>
              </p>
            </section>
            <section className="card">
              <h2>{subscribeTexts.elsewhere}</h2>
              <p className="soft">{subscribeTexts.elsewhereLead}</p>
              <CopyField label={subscribeTexts.yours} value={own.url} action={publishTexts.copyAddress} />
            </section>
            <p className="notice">{subscribeTexts.secret}</p>
            <p className="soft">{subscribeTexts.slow}</p>
          </>
        ) : null}
      </div>
    </PageFrame>
  );
}
