import type { CourseId, FileId } from '@/core/ids';
import { isRecording } from '@/core/materials/fileTypes';
import { fileOfAddress } from '@/core/materials/fileOfAddress';
import { fileAddress } from '@/core/materials/material';
import type { Outlet } from '@/core/outlets/outlet';
import type { OutletContents } from '@/core/outlets/outletContents';
import { linkedFiles, opensFile } from '@/core/outlets/outletFiles';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { StoredFile } from '@/data/materials/files';
import { filesById } from '@/data/materials/files';
import type { Pembit } from '../pembit';

/** The uploaded files that an outlet opens for its readers under its own address. A personal feed leads to Pembit's pages. */
export async function openFiles(
  pembit: Pembit,
  outlet: Outlet,
  contents: OutletContents,
): Promise<ReadonlyMap<FileId, StoredFile>> {
  const linked = outlet.audience === 'personal' || !outlet.files ? [] : [...linkedFiles(contents)];
  if (outlet.audience === 'personal' || linked.length === 0) return new Map();
  const files = await filesById(pembit, linked);
  return new Map(files.filter((file) => opensFile(outlet, file)).map((file) => [file.id, file]));
}

/** Where a link leads for the readers of an outlet: undefined where it is open to people of the course alone. */
export const openedAt =
  (embed: string, files: ReadonlyMap<FileId, StoredFile>) =>
  (url: string): string | undefined => {
    if (!url.startsWith('/')) return url;
    const file = fileOfAddress(url);
    return file && files.has(file) ? embed + fileAddress(file) : undefined;
  };

/** How many files, and how many recordings among them, the plans and entries of each course lead to, staff's own links aside. */
export async function filesByCourse(
  pembit: Pembit,
  plan: SeenPlan,
): Promise<ReadonlyMap<CourseId, Readonly<{ files: number; recordings: number }>>> {
  const linked = new Map<CourseId, Set<FileId>>();
  const add = (course: CourseId, links: readonly Readonly<{ url: string; staffOnly: boolean }>[]) => {
    for (const { url, staffOnly } of links) {
      const file = staffOnly ? undefined : fileOfAddress(url);
      if (file) linked.set(course, (linked.get(course) ?? new Set()).add(file));
    }
  };
  for (const entry of plan.entries)
    if (entry.kind !== 'note') for (const { course } of entry.audience) add(course, entry.links);
  for (const { course, plan: own } of plan.classes) add(course.id, own?.links ?? []);
  const found = await filesById(pembit, [...new Set([...linked.values()].flatMap((ids) => [...ids]))]);
  const recordings = new Set(found.filter((file) => isRecording(file.mediaType)).map(({ id }) => id));
  return new Map(
    [...linked].map(([course, ids]) => [
      course,
      { files: ids.size, recordings: [...ids].filter((id) => recordings.has(id)).length },
    ]),
  );
}
