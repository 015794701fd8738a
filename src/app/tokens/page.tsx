import type { Metadata } from 'next';
import { tokenTexts as say } from '@/core/texts/tokens';
import { webhookTexts } from '@/core/texts/webhooks';
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
import { listsRead } from '@/server/following/stateNow';
import { ownerWithin } from '@/server/tokens/bearer';
import { failureWords, webhooksFor } from '@/server/webhooks/webhooks';
import { WebhookForm } from '@/ui/tokens/WebhookForm';
import { webhookLine } from '@/ui/tokens/webhookLines';
import { WebhookList } from '@/ui/tokens/WebhookList';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: say.title };

/** Tokens for programs: one's own, and for the office everybody's. */
export default async function TokensPage() {
  const actor = await signedInOr('/tokens');
  const pembit = sharedPembit();
  const [{ own, others }, hooks, plan] = await Promise.all([
    tokensFor(pembit, actor),
    webhooksFor(pembit, actor),
    planSeenBy(pembit, actor.viewer, { notes: false }),
  ]);
  const courses = plan.courses.map(({ id, code, title }) => ({ id, name: `${code} ${title}` }));
  const words = {
    zone: requireZone(plan.terms.at(-1)?.tzid ?? 'UTC'),
    locale: plan.locale,
    now: pembit.now(),
    nameOf: (course: string) => plan.courses.find(({ id }) => id === course)?.code,
  };
  const followers = await Promise.all(
    own.map(async (token) => {
      const reader = await ownerWithin(pembit, token, { write: false });
      return { id: token.id, name: token.name, lists: reader ? listsRead(reader) : [] };
    }),
  );
  const following = followers.filter(({ lists }) => lists.length > 0);
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
        <section className="card" aria-labelledby="webhooks">
          <h2 id="webhooks">{webhookTexts.title}</h2>
          <p className="soft">{webhookTexts.lead}</p>
          <WebhookList
            lines={hooks.own.map((hook) => webhookLine(hook, { ...words, failureWords }))}
            byOffice={false}
          />
          {following.length > 0 ? (
            <details className={styles.more}>
              <summary>{webhookTexts.another}</summary>
              <WebhookForm tokens={following} />
            </details>
          ) : (
            <p className="soft">{webhookTexts.noTokens}</p>
          )}
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
        {isAdmin ? (
          <section className="card" aria-labelledby="other-webhooks">
            <h2 id="other-webhooks">{webhookTexts.everybodys}</h2>
            <WebhookList
              lines={hooks.others.map((hook) => webhookLine(hook, { ...words, failureWords }))}
              byOffice
            />
          </section>
        ) : null}
      </div>
    </PageFrame>
  );
}
