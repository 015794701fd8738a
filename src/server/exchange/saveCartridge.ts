import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { isStaffOf } from '@/core/entries/viewer';
import { cartridgeOutline } from '@/core/exchange/cartridgeOutline';
import { writeCartridge } from '@/core/exchange/writeCartridge';
import type { CourseId } from '@/core/ids';
import { plainFileName } from '@/core/materials/fileTypes';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { requireZone } from '@/core/time/zoneData';
import { filesById } from '@/data/materials/files';
import { storedPath } from '../materials/fileStore';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import { planSeenBy } from '../plan/planSeenBy';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { SavedPlan } from './savePlan';
import { zipStream } from './zipStream';

/** A course's outline and work as a Common Cartridge, for its staff: what another course site takes in. */
export async function saveCartridge(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
): Promise<Outcome<SavedPlan>> {
  if (!isStaffOf(actor.viewer, id)) return refused('notFound');
  const plan = await planSeenBy(pembit, actor.viewer, { notes: false });
  const course = plan.courses.find((one) => one.id === id);
  if (!course) return refused('notFound');
  const materials = (await materialsSeenBy(pembit, actor.viewer)).filter((one) => one.course === id);
  const files = await filesById(pembit, materials.flatMap(({ file }) => file ?? [])); // prettier-ignore
  const paths = new Map(files.map((file, i) => [file.id, `files/${i + 1}/${plainFileName(file.name)}`]));
  const items = cartridgeOutline(plan, id, {
    materials,
    occurrences: occurrencesOf(plan, requireZone),
    pathOf: (file) => paths.get(file),
  });
  const written = writeCartridge(`${course.code} ${course.title}`, items);
  const parts = [
    ...[...written].map(([name, text]) => ({ name, body: Readable.from([Buffer.from(text)]), pack: true })),
    ...files.map(({ id: file, hash }) => ({
      name: paths.get(file)!,
      body: createReadStream(storedPath(pembit.config, hash)),
      pack: false,
    })),
  ];
  return done({
    name: plainFileName(`${course.code}.imscc`),
    body: Readable.from(zipStream(parts)),
    left: 0,
  });
}
