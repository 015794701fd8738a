import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { signupTexts } from '@/core/texts/signup';
import { requireZone } from '@/core/time/zoneData';
import { draftOfSheet } from '@/ui/signup/draftOfSheet';
import { EditSheet } from '@/ui/signup/EditSheet';
import { PageFrame } from '../../../PageFrame';
import { planPage } from '../../../planPage';
import { sheetPage } from '../../../sheetPage';
import { titleOfPage } from '../../../titleOfPage';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return titleOfPage(signupTexts.title, ({ sheets }) => {
    const sheet = sheets.find((one) => one.id === id);
    return sheet && signupTexts.editTitle({ title: sheet.title });
  });
}

export default async function ChangeSheetPage({ params }: Props) {
  const { id } = await params;
  const page = await planPage(`/office-hours/${id}/change`, {});
  const sheet = page.plan.sheets.find((s) => s.id === id && s.asStaff);
  const form = sheetPage(page, id);
  if (!sheet || !form) notFound();
  const initial = draftOfSheet(sheet, requireZone(sheet.tzid), {
    until: form.term.endsOn,
    nowMs: form.nowMs,
  });
  return (
    <PageFrame actor={page.actor} plan={page.plan} wide>
      <div style={{ padding: '14px 20px 110px' }}>
        <h1>{signupTexts.editTitle({ title: sheet.title })}</h1>
        <EditSheet page={form} id={id} initial={initial} offered={sheet.release === 'shown'} />
      </div>
    </PageFrame>
  );
}
