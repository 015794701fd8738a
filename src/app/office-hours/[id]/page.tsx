import type { Metadata } from 'next';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { notFound, redirect } from 'next/navigation';
import { signupTexts } from '@/core/texts/signup';
import { requireZone } from '@/core/time/zoneData';
import { rostersOf } from '@/server/people/rosters';
import { addressPicture } from '@/server/outlets/addressPicture';
import { sharedPembit } from '@/server/pembit';
import { CopyField } from '@/ui/controls/CopyField';
import { AddTime } from '@/ui/signup/AddTime';
import { RunSheet } from '@/ui/signup/RunSheet';
import styles from '@/ui/signup/RunSheet.module.css';
import { runView } from '@/ui/signup/runView';
import { UseChart } from '@/ui/signup/UseChart';
import { PageFrame } from '../../PageFrame';
import { planPage } from '../../planPage';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return titleOfPage(signupTexts.title, ({ sheets }) => sheets.find((sheet) => sheet.id === id)?.title);
}

/** One sheet, as those who offer it run it. */
export default async function SheetRunPage({ params }: Props) {
  const { id } = await params;
  const pembit = sharedPembit();
  const version = pembit.queue.version();
  const page = await planPage(`/office-hours/${id}`, {});
  const sheet = page.plan.sheets.find((s) => s.id === id);
  if (!sheet || !page.term) notFound();
  if (!sheet.asStaff) redirect(`/s/${id}`);
  const rosters = await rostersOf(pembit, page.actor);
  const people = sheet.audience.flatMap((part) => rosters.get(part.course) ?? []);
  const roster = [...new Map(people.map((person) => [person.id as string, person])).values()];
  const view = runView({
    sheet,
    plan: page.plan,
    term: page.term,
    zone: requireZone(sheet.tzid),
    now: pembit.now(),
    roster,
  });
  const address = `${pembit.config.baseUrl}/s/${id}`;
  const code = await addressPicture(address);
  return (
    <PageFrame actor={page.actor} plan={page.plan}>
      <p className="soft">
        <Link href="/office-hours">{signupTexts.run.all}</Link>
      </p>
      <div className={styles.dayHead}>
        <h1>
          {view.tags.map((tag) => (
            <span key={tag.tag} className="tag" data-course={tag.color}>
              {tag.tag}
            </span>
          ))}{' '}
          {view.title}
        </h1>
        <Button variant="contained" href={`/office-hours/${id}/change`}>
          {signupTexts.run.edit}
        </Button>
      </div>
      <p className="soft">{view.facts.join(' · ')}</p>
      {view.draft ? <p className="notice">{signupTexts.draft}</p> : null}
      <div className={styles.columns}>
        <RunSheet view={view} version={version} />
        <div className={styles.side}>
          <section className="card">
            <h2>{signupTexts.run.add}</h2>
            <AddTime sheet={id} today={page.today.toString()} />
          </section>
          <section className="card">
            <h2>{signupTexts.run.share}</h2>
            <CopyField label={signupTexts.run.address} value={address} action={signupTexts.copy} />
            <div
              className={styles.code}
              role="img"
              aria-label={signupTexts.run.code}
              dangerouslySetInnerHTML={{ __html: code }}
            />
          </section>
          <UseChart use={view.use} />
          <section className="card">
            <h2>{signupTexts.run.never}</h2>
            <p>{view.neverCame.length === 0 ? signupTexts.run.neverNone : view.neverCame.join(', ')}</p>
          </section>
        </div>
      </div>
    </PageFrame>
  );
}
