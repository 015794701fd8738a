import type { Viewer } from '@/core/entries/viewer';
import type { CourseId, FileId, MaterialId } from '@/core/ids';
import { materialId } from '@/core/ids';
import { fileOfAddress } from '@/core/materials/fileOfAddress';
import { isRecording } from '@/core/materials/fileTypes';
import { PAGE_PATH, addressOf, fileAddress } from '@/core/materials/material';
import { heldBy } from '@/core/materials/outline';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import type { Outlet } from '@/core/outlets/outlet';
import type { OutletContents } from '@/core/outlets/outletContents';
import { heldLinks, opensFile } from '@/core/outlets/outletFiles';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { StoredFile } from '@/data/materials/files';
import { filesById } from '@/data/materials/files';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import type { Pembit } from '../pembit';

/** What an outlet opens under its own address: uploaded files, and units and pages with what they hold. */
export type OpenFiles = Readonly<{
  files: ReadonlyMap<FileId, StoredFile>;
  pages: ReadonlyMap<MaterialId, SeenMaterial>;
  /** All that its readers see, of which the pages are some. */
  materials: readonly SeenMaterial[];
}>;

export const NOTHING_OPEN: OpenFiles = { files: new Map(), pages: new Map(), materials: [] };

const pageOfAddress = (url: string): MaterialId | undefined => {
  const id = url.startsWith(PAGE_PATH) ? materialId.safeParse(url.slice(PAGE_PATH.length)) : undefined;
  return id?.success ? id.data : undefined;
};

/** What an outlet opens for its readers: what it leads to, as they may see it now. A personal feed leads to Pembit's pages. */
export async function openFiles(
  pembit: Pembit,
  { outlet, viewer, contents }: Readonly<{ outlet: Outlet; viewer: Viewer; contents: OutletContents }>,
): Promise<OpenFiles> {
  if (outlet.audience === 'personal' || !outlet.files) return NOTHING_OPEN;
  const urls = heldLinks(contents).map(({ url }) => url);
  const linked = new Set(urls.flatMap((url) => pageOfAddress(url) ?? []));
  const materials = linked.size > 0 ? await materialsSeenBy(pembit, viewer) : [];
  const reached = new Set([
    ...linked,
    ...[...linked].flatMap((id) => heldBy(materials, id).map((material) => material.id)),
  ]);
  const own = materials.filter(({ id }) => reached.has(id));
  const ids = [...urls.flatMap((url) => fileOfAddress(url) ?? []), ...own.flatMap(({ file }) => file ?? [])];
  const files = ids.length > 0 ? await filesById(pembit, [...new Set(ids)]) : [];
  return {
    files: new Map(files.filter((file) => opensFile(outlet, file)).map((file) => [file.id, file])),
    pages: new Map(own.filter((m) => pageOfAddress(addressOf(m))).map((m) => [m.id, m])),
    materials: own,
  };
}

/** Where a link leads for the readers of an outlet: undefined where it is open to people of the course alone. */
export const openedAt =
  (embed: string, { files, pages }: OpenFiles) =>
  (url: string): string | undefined => {
    if (!url.startsWith('/')) return url;
    const file = fileOfAddress(url);
    if (file) return files.has(file) ? embed + fileAddress(file) : undefined;
    const page = pageOfAddress(url);
    return page && pages.has(page) ? embed + PAGE_PATH + page : undefined;
  };

/** What a course leads to; recordings by name, since each is chosen by itself. */
type CourseFiles = Readonly<{
  files: number;
  recordings: readonly Readonly<{ id: FileId; name: string }>[];
  pages: number;
}>;

/** How many files (recordings among them) and pages the plans and entries of each course lead to, staff's own links aside. */
export async function filesByCourse(
  pembit: Pembit,
  plan: SeenPlan,
): Promise<ReadonlyMap<CourseId, CourseFiles>> {
  const linked = new Map<CourseId, Set<string>>();
  const add = (course: CourseId, links: readonly Readonly<{ url: string; staffOnly: boolean }>[]) => {
    for (const { url, staffOnly } of links)
      if (!staffOnly && url.startsWith('/'))
        linked.set(course, (linked.get(course) ?? new Set<string>()).add(url));
  };
  for (const entry of plan.entries)
    if (entry.kind !== 'note') for (const { course } of entry.audience) add(course, entry.links);
  for (const { course, plan: own } of plan.classes) add(course.id, own?.links ?? []);
  const filesOf = (urls: ReadonlySet<string>) => [...urls].flatMap((url) => fileOfAddress(url) ?? []);
  const found = await filesById(pembit, [...new Set([...linked.values()].flatMap(filesOf))]);
  const recordings = found.filter((file) => isRecording(file.mediaType));
  return new Map(
    [...linked].map(([course, urls]) => {
      const files = filesOf(urls);
      return [
        course,
        {
          files: files.length,
          recordings: recordings.filter(({ id }) => files.includes(id)).map(({ id, name }) => ({ id, name })),
          pages: [...urls].filter(pageOfAddress).length,
        },
      ];
    }),
  );
}
