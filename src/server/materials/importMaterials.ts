import { randomUUID } from 'node:crypto';
import type { CourseId, MaterialId } from '@/core/ids';
import type { Material } from '@/core/materials/material';
import { placesAtEnd } from '@/core/materials/outline';
import type { Addition } from '@/core/materials/readMaterials';
import { compareMaterials, readMaterials, titleInHtml, withTitles } from '@/core/materials/readMaterials';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { materialTexts } from '@/core/texts/materials';
import type { Reader } from '@/data/reader';
import { insertMaterials, replaceMaterial } from '@/data/materials/materials';
import { perform } from '../history/perform';
import { guardedGet } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { outlineFor } from './outlineFor';

export type MaterialPreview = Readonly<{
  list: string;
  lines: readonly Pick<Addition, 'line' | 'kind' | 'title' | 'url' | 'unit' | 'state'>[];
  faults: readonly Readonly<{ line: number; message: string }>[];
}>;

async function additionsFor(reader: Reader, actor: SignedIn, id: CourseId, list: string) {
  const outline = await outlineFor(reader, actor, id);
  if (!outline.ok) return outline;
  const { items, faults } = readMaterials(list);
  return done({ ...outline.value, additions: compareMaterials(items, outline.value.materials), faults });
}

/** How many addresses are asked for their titles, and how much of each page is read. */
const TITLES = { most: 40, atOnce: 8, bytes: 64 * 1024 } as const;

/** Titles of addresses that stood alone, where their pages say one, by line. */
async function titlesOf(pembit: Pembit, list: string): Promise<Map<number, string>> {
  const waiting = readMaterials(list)
    .items.filter((item) => item.untitled)
    .slice(0, TITLES.most);
  const titles = new Map<number, string>();
  const work = async () => {
    for (let item = waiting.shift(); item; item = waiting.shift()) {
      const answer = await guardedGet(pembit.config, item.url, { largest: TITLES.bytes, beyond: 'cut' });
      const isPage = answer.ok && answer.status === 200 && /html/i.test(answer.headers['content-type'] ?? '');
      const title = isPage ? titleInHtml(answer.body.toString('utf8')) : undefined;
      if (title) titles.set(item.line, title);
    }
  };
  await Promise.all(Array.from({ length: TITLES.atOnce }, work));
  return titles;
}

/** What a list would add and change; nothing is saved. `list` has titles where they could be fetched. */
export async function previewMaterials(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  list: string,
): Promise<Outcome<MaterialPreview>> {
  const allowed = await outlineFor(pembit, actor, id);
  if (!allowed.ok) return allowed;
  const titled = withTitles(list, await titlesOf(pembit, list));
  const found = await additionsFor(pembit, actor, id, titled);
  if (!found.ok) return found;
  const { additions, faults } = found.value;
  return done({
    list: titled,
    lines: additions.map(({ line, kind, title, url, unit, state }) => ({
      line,
      kind,
      title,
      url,
      unit,
      state,
    })),
    faults,
  });
}

/** Brings a list into the outline as the preview showed it: all of it or, where a line is at fault, nothing. */
export function importMaterials(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  list: string,
): Promise<Outcome<{ added: number; changed: number }>> {
  return perform(pembit, actor, 'importMaterials', async (change) => {
    const found = await additionsFor(change, actor, id, list);
    if (!found.ok) return found;
    const { additions, faults, materials, tzid } = found.value;
    const [fault] = faults;
    if (fault)
      return refused('badRequest', [
        { field: 'list', message: materialTexts.fault({ line: fault.line, message: fault.message }) },
      ]);
    const now = pembit.now();
    const unitOf = new Map(
      materials.filter((m) => m.kind === 'unit').map((m) => [m.title.toLowerCase(), m.id]),
    );
    const atEnd = placesAtEnd(materials);
    const fresh: Material[] = [];
    let changed = 0;
    for (const { state, known, kind, title, url, unit } of additions) {
      if (state === 'changed' && known) {
        await replaceMaterial(change, { ...known, title, kind }, tzid);
        changed += 1;
      }
      if (state !== 'new') continue;
      const parent = unit === '' ? undefined : unitOf.get(unit.toLowerCase());
      const material: Material = {
        id: randomUUID() as MaterialId,
        course: id,
        ...(parent ? { parent } : {}),
        position: atEnd(parent),
        kind,
        title,
        url,
        text: '',
        sequence: 0,
        created: now,
        lastModified: now,
      };
      fresh.push(material);
      if (kind === 'unit') unitOf.set(title.toLowerCase(), material.id);
    }
    await insertMaterials(change, fresh, tzid);
    change.summarise(materialTexts.imported({ added: fresh.length, changed }));
    return done({ added: fresh.length, changed });
  });
}
