import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound, redirect } from 'next/navigation';
import { addressOf } from '@/core/materials/material';
import { heldBy } from '@/core/materials/outline';
import { sanitize } from '@/core/richText/sanitize';
import { materialTexts } from '@/core/texts/materials';
import { filesInPlace } from '@/server/materials/filesInPlace';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import styles from '@/ui/materials/Materials.module.css';
import { FilesInPlace } from '@/ui/materials/PlayHere';
import { OutlineList } from '@/ui/materials/OutlineList';
import { UsedOn } from '@/ui/materials/UsedOn';
import { linksByUnit, outlineRows } from '@/api/outlineRows';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return titleOfPage(
    materialTexts.title,
    async (_, { viewer }) =>
      (await materialsSeenBy(sharedPembit(), viewer)).find((material) => material.id === id)?.title,
  );
}

/** A unit with what is in it, or a page; what has an address of its own leads on to it. */
export default async function MaterialPage({ params }: Props) {
  const { id } = await params;
  const actor = await signedInOr(`/m/${id}`);
  const pembit = sharedPembit();
  const [plan, materials] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    materialsSeenBy(pembit, actor.viewer),
  ]);
  const material = materials.find((m) => m.id === id);
  const course = plan.courses.find((c) => c.id === material?.course);
  if (!material || !course) notFound();
  const href = addressOf(material);
  if (href !== `/m/${id}`) redirect(href);
  const held = new Set([material.id, ...heldBy(materials, material.id).map((m) => m.id)]);
  const [own, ...rows] = await outlineRows(pembit, actor, {
    plan,
    materials: materials.filter((m) => held.has(m.id)),
    course: course.id,
  });
  return (
    <PageFrame actor={actor}>
      <article className={styles.page}>
        <p className="soft">
          <span className="tag" data-course={course.color}>
            {course.tag}
          </span>{' '}
          {course.title} · {materialTexts.kinds[material.kind]}
        </p>
        <h1>{material.title}</h1>
        {material.hidden ? <p className="notice">{materialTexts.notYet}</p> : null}
        {material.text ? (
          // Sanitised when it was written, and again here.
          <div className="formatted" dangerouslySetInnerHTML={{ __html: sanitize(material.text) }} />
        ) : null}
        {material.kind === 'unit' ? (
          rows.length === 0 ? (
            <p className="empty">{materialTexts.empty}</p>
          ) : (
            <FilesInPlace files={await filesInPlace(pembit, linksByUnit(rows))}>
              <OutlineList rows={rows} />
            </FilesInPlace>
          )
        ) : null}
        {own?.staff ? <UsedOn staff={own.staff} /> : null}
        <p>
          <Link href={`/materials?course=${encodeURIComponent(course.id)}`}>
            {materialTexts.back({ code: course.code })}
          </Link>
        </p>
      </article>
    </PageFrame>
  );
}
