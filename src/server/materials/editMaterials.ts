import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId, FileId, MaterialId } from '@/core/ids';
import type { Material } from '@/core/materials/material';
import type { MaterialInput, NewMaterialInput } from '@/core/materials/materialInput';
import { leadsNowhere } from '@/core/materials/materialInput';
import type { Place } from '@/core/materials/outline';
import { heldBy, moveInOutline, placesAtEnd } from '@/core/materials/outline';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { sanitize } from '@/core/richText/sanitize';
import { fileTexts } from '@/core/texts/files';
import { materialTexts } from '@/core/texts/materials';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { insertMaterials, removeMaterial, replaceMaterial } from '@/data/materials/materials';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { ownFiles, roomError } from './checkedLinks';
import { materialFor, outlineFor } from './outlineFor';

type Made = Readonly<{ id: MaterialId; title: string }>;

function contentOf({ title, url, text, visibleFrom, file }: MaterialInput, tzid: string) {
  const at = (wall: Temporal.PlainDateTime) => toInstant(requireZone(tzid), wall);
  return {
    title,
    url: file ? '' : url,
    file,
    text: sanitize(text),
    visibleFrom: visibleFrom && { wall: { wall: visibleFrom, tzid }, at: at(visibleFrom) },
  };
}

/** A file that is not the actor's to pass on, or for which the course has no room. */
async function fileErrors(reader: Reader, actor: SignedIn, course: CourseId, file: FileId | undefined) {
  if (!file) return undefined;
  const own = (await ownFiles(reader, actor, [file])).has(file);
  const message = own ? await roomError(reader, [course], [file]) : fileTexts.notKept;
  return message && refused('badRequest', [{ field: 'file', message }]);
}

/** Adds something at the end of a unit, or of the outline. */
export function addMaterial(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: NewMaterialInput,
): Promise<Outcome<Made>> {
  return perform(pembit, actor, 'addMaterial', async (change) => {
    const found = await outlineFor(change, actor, id);
    if (!found.ok) return found;
    const { materials, tzid } = found.value;
    const { parent, kind } = input;
    if (parent && materials.find((material) => material.id === parent)?.kind !== 'unit')
      return refused('badRequest', [{ field: 'parent', message: materialTexts.noSuchUnit }]);
    const bad = await fileErrors(change, actor, id, input.file);
    if (bad) return bad;
    const now = pembit.now();
    const material: Material = {
      ...contentOf(input, tzid),
      id: randomUUID() as MaterialId,
      course: id,
      kind,
      ...(parent ? { parent } : {}),
      position: placesAtEnd(materials)(parent),
      sequence: 0,
      created: now,
      lastModified: now,
    };
    await insertMaterials(change, [material], tzid);
    change.summarise(materialTexts.added({ title: material.title }));
    return done({ id: material.id, title: material.title });
  });
}

/** Changes what a material is called, where it leads, what it says and when it is seen: everywhere it is used, at once. */
export function changeMaterial(
  pembit: Pembit,
  actor: SignedIn,
  id: MaterialId,
  input: MaterialInput,
): Promise<Outcome<Made>> {
  return perform(pembit, actor, 'changeMaterial', async (change) => {
    const found = await materialFor(change, actor, id);
    if (!found.ok) return found;
    const { material, tzid } = found.value;
    if (leadsNowhere({ ...input, kind: material.kind }))
      return refused('badRequest', [{ field: 'url', message: materialTexts.needsAddress }]);
    const bad = await fileErrors(change, actor, material.course, input.file);
    if (bad) return bad;
    const content = contentOf(input, tzid);
    if (onlyHides(material, content)) change.actAs('hideMaterial');
    await replaceMaterial(change, { ...material, ...content }, tzid);
    change.summarise(materialTexts.changed({ title: input.title }));
    return done({ id, title: input.title });
  });
}

/** Whether nothing but when a material is seen differs. */
const onlyHides = (before: Material, content: ReturnType<typeof contentOf>): boolean =>
  before.title === content.title && before.url === content.url && before.text === content.text && before.file === content.file; // prettier-ignore

/** Takes a material away, and with a unit everything in it. */
export function deleteMaterial(
  pembit: Pembit,
  actor: SignedIn,
  id: MaterialId,
): Promise<Outcome<{ title: string; removed: number }>> {
  return perform(pembit, actor, 'deleteMaterial', async (change) => {
    const found = await materialFor(change, actor, id);
    if (!found.ok) return found;
    const { material, materials } = found.value;
    const gone = [...heldBy(materials, id).reverse(), material];
    for (const each of gone) await removeMaterial(change, each);
    change.summarise(materialTexts.removed({ title: material.title }));
    return done({ title: material.title, removed: gone.length });
  });
}

/** Puts a material elsewhere in its outline. */
export function moveMaterial(
  pembit: Pembit,
  actor: SignedIn,
  id: MaterialId,
  place: Place,
): Promise<Outcome<{ title: string }>> {
  return perform(pembit, actor, 'moveMaterial', async (change) => {
    const found = await materialFor(change, actor, id);
    if (!found.ok) return found;
    const { material, materials, tzid } = found.value;
    const moved = moveInOutline(materials, id, place);
    if (!moved) return refused('badRequest', [{ field: 'parent', message: materialTexts.notThere }]);
    for (const each of moved) await replaceMaterial(change, each, tzid);
    change.summarise(materialTexts.moved({ title: material.title }));
    return done({ title: material.title });
  });
}
