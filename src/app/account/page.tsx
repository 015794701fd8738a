import type { Metadata } from 'next';
import { Temporal } from 'temporal-polyfill';
import { Link } from '@/ui/controls/Link';
import { accountTexts } from '@/core/texts/account';
import { frameTexts } from '@/core/texts/frame';
import { noticeTexts } from '@/core/texts/notices';
import { tokenTexts } from '@/core/texts/tokens';
import { passwordTexts } from '@/core/texts/passwords';
import { zonesInUse } from '@/core/time/zoneData';
import { shownAddress } from '@/core/mail/nobodysAddress';
import { isOnStaff } from '@/core/entries/viewer';
import { offeredPlacesOf } from '@/server/people/offeredPlace';
import { refusalTexts } from '@/core/texts/refusals';
import { dateLabel } from '@/core/time/dateLabels';
import { ownAccounts, ownSites } from '@/server/session/ownAccounts';
import { SiteAccounts } from '@/ui/account/SiteAccounts';
import { SchoolAccounts } from '@/ui/account/SchoolAccounts';
import { OfferedPlaces } from '@/ui/account/OfferedPlaces';
import { sharedPembit } from '@/server/pembit';
import { hasSecondStep, owesSecondStep } from '@/server/session/secondStep';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { settingsOf } from '@/server/students/settings';
import { ownDevices } from '@/server/notices/devices';
import { Notices } from '@/ui/account/Notices';
import { PasswordForm } from '@/ui/account/PasswordForm';
import { SecondStep } from '@/ui/account/SecondStep';
import { OwnSettings } from '@/ui/student/OwnSettings';
import { SignOut } from '@/ui/session/SignOut';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import styles from './account.module.css';

export const metadata: Metadata = { title: accountTexts.title };

export default async function AccountPage({
  searchParams,
}: Readonly<{ searchParams: Promise<{ refused?: string }> }>) {
  const actor = await signedInOr('/account');
  const { person } = actor;
  const pembit = sharedPembit();
  // Without what one has chosen: the colours that courses have for everybody.
  const [settings, plan, secondStep, owed, places, accounts, notices, sites] = await Promise.all([
    settingsOf(pembit, person.id),
    planSeenBy(pembit, actor.viewer, { notes: false }),
    hasSecondStep(pembit, person.id),
    owesSecondStep(pembit, actor),
    offeredPlacesOf(pembit, person.id),
    ownAccounts(pembit, actor),
    ownDevices(pembit, actor),
    ownSites(pembit, actor),
  ]);
  const { refused } = await searchParams;
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <h1>{accountTexts.title}</h1>
        <p>
          {accountTexts.signedInAs} <b>{person.name}</b>
          {shownAddress(person.email) ? `, ${person.email}` : ''}
        </p>
        {person.isAdmin ? <p>{accountTexts.administrator}</p> : null}
        {owed ? (
          <p className="notice">
            {passwordTexts.stepOwed} <a href="#second-step">{passwordTexts.stepBegin}</a>
          </p>
        ) : null}
        <OfferedPlaces places={places} />
        <OwnSettings
          settings={settings}
          zones={zonesInUse}
          staff={isOnStaff(actor.viewer)}
          courses={plan.courses
            .filter((course) => !course.archived)
            .map(({ code, tag, title, color }) => ({ code, tag, title, color }))}
        />
        {actor.shared ? null : (
          <Notices
            publicKey={notices.publicKey}
            devices={notices.devices.map(({ id, kind, since, here }) => ({
              id,
              name: noticeTexts.since({
                kind: noticeTexts.kinds[kind],
                date: dateLabel(Temporal.PlainDate.from(since.slice(0, 10)), 'short', plan.locale),
              }),
              here,
            }))}
          />
        )}
        <PasswordForm />
        {refused === 'signInAnew' || refused === 'notVouchedFor' ? (
          <p className="notice">{refusalTexts[refused]}</p>
        ) : null}
        {pembit.config.schoolSignIn ? (
          <SchoolAccounts
            accounts={accounts.map(({ id, issuer, since }) => ({
              id,
              issuer,
              since: dateLabel(since, 'short', plan.locale),
            }))}
          />
        ) : null}
        {sites.length > 0 ? (
          <SiteAccounts
            sites={sites.map(({ since, ...site }) => ({
              ...site,
              since: dateLabel(since, 'short', plan.locale),
            }))}
          />
        ) : null}
        {person.isAdmin || isOnStaff(actor.viewer) ? <SecondStep on={secondStep} /> : null}
        <p>
          <Link className="lone" href="/tokens">
            {tokenTexts.link}
          </Link>
        </p>
        <p>
          <a className="lone" href={`/api/people/${person.id}`} download>
            {accountTexts.exportOwn}
          </a>
        </p>
        <p>
          <Link className="lone" href="/help">
            {frameTexts.nav.help}
          </Link>
        </p>
        <SignOut />
      </div>
    </PageFrame>
  );
}
