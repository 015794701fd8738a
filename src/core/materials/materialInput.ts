import { z } from 'zod';
import { line, longText, plainDateTime, url } from '../fields';
import { materialId } from '../ids';
import { MATERIAL_KINDS } from './material';

const kind = z.enum(MATERIAL_KINDS, { error: `Say what it is: ${MATERIAL_KINDS.join(', ')}.` });
const WITHOUT_ADDRESS = new Set(['unit', 'page']);

const content = {
  title: line(300, 'Give it a title.'),
  url: z.union([z.literal(''), url]).default(''),
  text: longText(60_000).default(''),
  visibleFrom: plainDateTime.optional(),
};

/** What is sent to add something to an outline: at the end of a unit, or of the outline. */
export const newMaterialInput = z
  .object({ ...content, kind, parent: materialId.optional() })
  .refine(({ kind: what, url: address }) => WITHOUT_ADDRESS.has(what) || address !== '', {
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
