import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { guardianTexts as say } from '@/core/texts/guardians';
import { publishTexts } from '@/core/texts/publish';
import { zonesInUse } from '@/core/time/zoneData';
import { guardianUrls } from '@/server/guardians/guardianAddress';
import { guardiansBy } from '@/server/guardians/guardiansBy';
import { sharedPembit } from '@/server/pembit';
import { CopyField } from '@/ui/controls/CopyField';
import { AnotherChild } from '@/ui/guardians/AnotherChild';
import { GuardianLetters } from '@/ui/guardians/GuardianLetters';
import own from '@/ui/guardians/Guardians.module.css';
import styles from '@/ui/session/SignIn.module.css';

export const metadata: Metadata = { title: say.settingsTitle, referrer: 'no-referrer' };

/** What a guardian does with an address: a calendar, the week by letter, another child beside. */
export default async function GuardianPage({ params }: Readonly<{ params: Promise<{ tokens: string[] }> }>) {
  const { tokens } = await params;
  const pembit = sharedPembit();
  const guardians = await guardiansBy(pembit, tokens);
  if (guardians.length === 0) notFound();
  return (
    <main className={styles.page}>
      <h1>{say.settingsTitle}</h1>
      <p>
        <a className="lone" href={`/g/${tokens.join('/')}`}>
          {say.back}
        </a>
      </p>
      {guardians.map(({ guardian, token, childName }) => (
        <section key={guardian.id} aria-label={childName} className={own.parts}>
          <h2>{childName}</h2>
          <h3>{say.feed}</h3>
          <p className="soft">{say.feedLead}</p>
          <CopyField label={say.feed} value={guardianUrls(pembit, guardian).feed} action={publishTexts.copyAddress} />
          <h3>{say.lettersTitle}</h3>
          <p className="soft">{say.lettersLead}</p>
          <GuardianLetters
            token={token}
            start={{ email: guardian.email, confirmed: guardian.emailConfirmed, locale: guardian.locale, tzid: guardian.tzid }}
            zones={zonesInUse}
          />
        </section>
      ))}
      <section aria-labelledby="another" className={own.parts}>
        <h2 id="another">{say.anotherChild}</h2>
        <p className="soft">{say.anotherLead}</p>
        <AnotherChild tokens={tokens} />
      </section>
    </main>
  );
} // prettier-ignore
