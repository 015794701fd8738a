import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { TABLE_HEADS, TABLE_KINDS } from '@/core/frame/schoolTable';
import { schoolTableTexts as say } from '@/core/texts/schoolTables';
import { BringTable } from '@/ui/school/BringTable';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';

export const metadata: Metadata = { title: say.title };

/** People, courses, sections and staff brought as a table, for the administrator. */
export default async function TablesPage() {
  const actor = await signedInOr('/school/tables');
  if (!actor.person.isAdmin) redirect('/');
  const templates = TABLE_KINDS.map((kind) => ({ kind, name: say.template[kind], heads: TABLE_HEADS[kind] }));
  return (
    <PageFrame actor={actor}>
      <h1>{say.title}</h1>
      <p className="soft">{say.lead}</p>
      <BringTable templates={templates} />
    </PageFrame>
  );
}
