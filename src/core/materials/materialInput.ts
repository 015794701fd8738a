import { z } from 'zod';
import { line, longText, plainDate, plainDateTime, url } from '../fields';
import { fileId, materialId } from '../ids';
import { MATERIAL_KINDS } from './material';

const kind = z.enum(MATERIAL_KINDS, { error: `Say what it is: ${MATERIAL_KINDS.join(', ')}.` });
const WITHOUT_ADDRESS = new Set(['unit', 'page']);
/** Whether something leads nowhere: no unit or page, no file, no address, and nothing written in it. */
export const leadsNowhere = ({
  kind: what,
  url: address,
  file,
  text: written,
}: Readonly<{ kind: string; url: string; file?: string; text: string }>) =>
  !WITHOUT_ADDRESS.has(what) && address === '' && file === undefined && written === '';

const content = {
  title: line(300, 'Give it a title.'),
  url: z.union([z.literal(''), url]).default(''),
  /** An uploaded file, in the place of an address. */
  file: fileId.optional(),
  text: longText(60_000).default(''),
  visibleFrom: plainDateTime.optional(),
};

/** What is sent to add something to an outline: at the end of a unit, or of the outline. */
export const newMaterialInput = z
  .object({ ...content, kind, parent: materialId.optional() })
  .refine((input) => !leadsNowhere(input), {
    path: ['url'],
    error: 'Paste a whole address, beginning with https:// or http://.',
  });
export type NewMaterialInput = z.output<typeof newMaterialInput>;

/** What is sent to change it; its kind and place stay. */
export const materialInput = z.object(content);
export type MaterialInput = z.output<typeof materialInput>;

export const placeInput = z.object({ parent: materialId.optional(), before: materialId.optional() });

/** A list of materials as it was pasted, for a unit or for the top of the outline. */
export const materialListInput = z.object({
  list: longText(500_000).refine((text) => text.trim() !== '', 'Paste a list first.'),
});

/** Where the items of a unit go: on the classes from a day on. */
export const unitPlaceInput = z.object({ from: plainDate, rest: z.boolean().default(false) });
