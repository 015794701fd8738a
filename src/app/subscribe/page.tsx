import type { Metadata } from 'next';
import { guardianTexts } from '@/core/texts/guardians';
import { publishTexts, subscribeTexts } from '@/core/texts/publish';
import { requireZone } from '@/core/time/zoneData';
import { outletUses } from '@/server/outlets/countReads';
import { outletsFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { addressPicture } from '@/server/outlets/addressPicture';
import { managedGuardians } from '@/server/guardians/issue';
import { GuardianPart } from '@/ui/guardians/GuardianPart';
import { sharedPembit } from '@/server/pembit';
import { CopyField } from '@/ui/controls/CopyField';
import { READ_DAYS, readWords } from '@/ui/outlets/outletCardView';
import { remindersOf } from '@/ui/outlets/outletDraft';
import { MailAddress } from '@/ui/outlets/MailAddress';
import { PersonalFeedForm } from '@/ui/outlets/PersonalFeedForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import styles from './subscribe.module.css';

export const metadata: Metadata = { title: subscribeTexts.title };

const { title, lead, begin } = guardianTexts;
const guardianWords = { title, lead, begin };

/** One's own feed: from nothing to a subscribed phone. */
export default async function SubscribePage() {
  const actor = await signedInOr('/subscribe');
  const pembit = sharedPembit();
  const [plan, outlets] = await Promise.all([planSeenBy(pembit, actor.viewer), outletsFor(pembit, actor)]);
  const own = outlets.find((outlet) => outlet.audience === 'personal' && outlet.owner === actor.person.id);
  if (own?.audience !== 'personal') return <PageFrame actor={actor}>{null}</PageFrame>;
  const takesCourses = actor.viewer.memberOf.size > 0;
  const guardians = takesCourses ? await managedGuardians(pembit, actor, actor.person.id) : undefined;
  const today = todayIn(pembit, plan);
  const use = (await outletUses(pembit, [own.id], today.subtract({ days: READ_DAYS }))).get(own.id);
  const zone = requireZone(plan.terms[0]?.tzid ?? 'UTC');
  const webcal = own.url.replace(/^https?:/, 'webcal:');
  const code = await addressPicture(webcal);
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <h1>{subscribeTexts.title}</h1>
        <p>{subscribeTexts.lead}</p>
        <p className={use ? 'soft' : 'notice'} role="status">
          {use ? readWords(use, { zone, today, locale: plan.locale }) : subscribeTexts.notYet}
        </p>
        <section className="card">
          <h2>{subscribeTexts.onPhone}</h2>
          <p className="soft">{subscribeTexts.onPhoneLead}</p>
          <p>
            <a className={styles.button} href={webcal}>
              {publishTexts.subscribe}
            </a>
          </p>
        </section>
        <section className="card">
          <h2>{subscribeTexts.elsewhere}</h2>
          <p className="soft">{subscribeTexts.elsewhereLead}</p>
          <CopyField label={subscribeTexts.yours} value={own.url} action={publishTexts.copyAddress} />
          <p>
            <MailAddress id={own.id} />
          </p>
          <details>
            <summary>{publishTexts.showCode}</summary>
            <div
              className={styles.code}
              role="img"
              aria-label={publishTexts.code({ name: own.name })}
              dangerouslySetInnerHTML={{ __html: code }}
            />
          </details>
        </section>
        <section className="card">
          <h2>{subscribeTexts.asTasks}</h2>
          <p className="soft">{subscribeTexts.asTasksLead}</p>
          <CopyField
            label={subscribeTexts.tasksAddress}
            value={own.url.replace(/\.ics$/, '/work.ics')}
            action={publishTexts.copyAddress}
          />
        </section>
        {guardians?.ok ? <GuardianPart start={guardians.value} say={guardianWords} /> : null}
        <p className="notice">{subscribeTexts.secret}</p>
        <p className="soft">{subscribeTexts.slow}</p>
        <PersonalFeedForm
          id={own.id}
          name={own.name}
          start={{
            kinds: own.kinds,
            tags: own.tags,
            detail: own.detail,
            back: own.daysBack === undefined ? 'all' : String(own.daysBack),
            reminders: remindersOf(own),
          }}
        />
      </div>
    </PageFrame>
  );
}
