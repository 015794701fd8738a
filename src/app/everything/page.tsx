import type { Metadata } from 'next';
import type { Temporal } from 'temporal-polyfill';
import { plainDate } from '@/core/fields';
import { everythingTexts } from '@/core/texts/everything';
import { termTexts } from '@/core/texts/term';
import { linkTestsFor } from '@/server/links/linkTestsFor';
import { sharedPembit } from '@/server/pembit';
import { packed } from '@/ui/controls/packed';
import { EverythingDesk } from '@/ui/everything/EverythingDesk';
import { everythingView } from '@/ui/everything/everythingView';
import { keptView } from '../keptView';
import { planPage } from '../planPage';
import { PlanFrame } from '../PlanFrame';

export const metadata: Metadata = { title: everythingTexts.title };

type Search = Promise<Record<string, string | undefined>>;

const asked = (text: string | undefined, otherwise: Temporal.PlainDate): Temporal.PlainDate => {
  const read = plainDate.safeParse(text);
  return read.success ? read.data : otherwise;
};

/** The plain list of everything between two days, the term unless others are asked. */
export default async function EverythingPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const page = await planPage('/everything', search);
  const { plan, term, occurrences, mayMove, data } = page;
  const range = term && { from: asked(search.from, term.startsOn), to: asked(search.to, term.endsOn) };
  const urls = occurrences.flatMap((o) => ('links' in o && o.asStaff ? o.links.map((link) => link.url) : []));
  const tests = await linkTestsFor(sharedPembit(), urls);
  return (
    <PlanFrame page={page} empty={[termTexts.noCourses, termTexts.noCoursesLead]}>
      {term && data && range ? (
        <EverythingDesk
          rows={keptView(occurrences, ['everything', term.id, range, [...tests]], () =>
            packed(everythingView({ plan, term, occurrences, mayMove }, { ...range, tests })),
          )}
          data={packed(data)}
          from={range.from.toString()}
          to={range.to.toString()}
        />
      ) : null}
    </PlanFrame>
  );
}
