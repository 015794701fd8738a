import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { readTimesLine } from '@/core/signup/readTimesLine';
import { signupTexts } from '@/core/texts/signup';
import { NewSheet } from '@/ui/signup/NewSheet';
import { PageFrame } from '../../PageFrame';
import { planPage } from '../../planPage';
import { sheetPage } from '../../sheetPage';

export const metadata: Metadata = { title: signupTexts.newTitle };

/** `?times=` is a line about office hours, which begins the form; `?course=` whose they are. */
export default async function NewSheetPage({
  searchParams,
}: {
  searchParams: Promise<Readonly<{ times?: string; course?: string }>>;
}) {
  const { times, course } = await searchParams;
  const page = await planPage('/office-hours/new', {});
  const form = sheetPage(page);
  if (!form) redirect('/');
  const [own] = page.plan.sheets.filter(
    (sheet) => sheet.asStaff && sheet.place && sheet.audience[0]?.course === form.courses[0]?.id,
  );
  return (
    <PageFrame actor={page.actor} plan={page.plan} wide>
      <div style={{ padding: '14px 20px 110px' }}>
        <h1>{signupTexts.newTitle}</h1>
        <p className="soft">{signupTexts.newLead}</p>
        <NewSheet
          page={form}
          place={own?.place ?? ''}
          {...(times ? { times: { ...readTimesLine(times.slice(0, 300)), course } } : {})}
        />
      </div>
    </PageFrame>
  );
}
