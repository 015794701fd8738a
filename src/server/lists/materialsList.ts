import { coursesOf } from '@/core/entries/viewer';
import type { ListQuery } from '@/core/frame/listQuery';
import { seenMaterials } from '@/core/materials/seenMaterials';
import { done } from '@/core/refusals';
import type { Pembit } from '../pembit';
import { keptPlan } from '../plan/keptPlan';
import type { SignedIn } from '../session/session';
import { pageOf, recordOf } from './page';
import { stamp } from './seen';

/** The materials of one's courses, as one sees them; links for the staff alone are the staff's. */
export async function materialsListed(pembit: Pembit, actor: SignedIn) {
  const { materials, courses } = await keptPlan(pembit, coursesOf(actor.viewer));
  const { baseUrl } = pembit.config;
  return seenMaterials(actor.viewer, materials, pembit.now()).map((material) => ({
    id: material.id as string,
    uid: material.id as string,
    kind: material.kind,
    term: courses.find(({ id }) => id === material.course)?.term,
    courses: [material.course],
    changedMs: material.lastModified.epochMilliseconds,
    record: {
      id: material.id,
      course: material.course,
      parent: material.parent,
      position: material.position,
      kind: material.kind,
      title: material.title,
      url: material.url.startsWith('/') ? baseUrl + material.url : material.url,
      file: material.file,
      lastModified: stamp(material.lastModified),
    },
  }));
}

/** A page of them. */
export const materialsPage = async (pembit: Pembit, actor: SignedIn, query: ListQuery) =>
  done(pageOf(await materialsListed(pembit, actor), query));

/** One of them; what is not seen is not there. */
export const oneMaterial = async (pembit: Pembit, actor: SignedIn, id: string) =>
  recordOf(await materialsListed(pembit, actor), id);
