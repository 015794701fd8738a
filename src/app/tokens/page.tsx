import type { Metadata } from 'next';
import { tokenTexts as say } from '@/core/texts/tokens';
import { CAPABILITIES } from '@/core/tokens/capability';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { tokensFor } from '@/server/tokens/tokens';
import { TokenForm } from '@/ui/tokens/TokenForm';
import { tokenLine } from '@/ui/tokens/tokenLines';
import { TokenList } from '@/ui/tokens/TokenList';
import styles from '@/ui/tokens/Tokens.module.css';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: say.title };

/** Tokens for programs: one's own, and for the office everybody's. */
export default async function TokensPage() {
  const actor = await signedInOr('/tokens');
  const pembit = sharedPembit();
  const [{ own, others }, plan] = await Promise.all([
    tokensFor(pembit, actor),
    planSeenBy(pembit, actor.viewer, { notes: false }),
  ]);
  const courses = plan.courses.map(({ id, code, title }) => ({ id, name: `${code} ${title}` }));
  const words = {
    zone: requireZone(plan.terms.at(-1)?.tzid ?? 'UTC'),
    locale: plan.locale,
    now: pembit.now(),
    nameOf: (course: string) => plan.courses.find(({ id }) => id === course)?.code,
  };
  const isAdmin = actor.person.isAdmin;
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <div>
          <h1>{say.title}</h1>
          <p className="soft">{say.lead}</p>
        </div>
        <section className="card" aria-labelledby="own-tokens">
          <h2 id="own-tokens">{say.yours}</h2>
          <TokenList lines={own.map((token) => tokenLine(token, words))} />
        </section>
        <section className="card" aria-label={say.make}>
          <TokenForm
            capabilities={CAPABILITIES.filter((one) => one !== 'school' || isAdmin)}
            courses={courses}
          />
        </section>
        {isAdmin ? (
          <section className="card" aria-labelledby="other-tokens">
            <h2 id="other-tokens">{say.everybodys}</h2>
            <p className="soft">{say.everybodysLead}</p>
            <TokenList
              lines={others.map((token) => ({ ...tokenLine(token, words), owner: token.ownerName }))}
            />
          </section>
        ) : null}
      </div>
    </PageFrame>
  );
}
