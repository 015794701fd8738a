import { z } from 'zod';
import { isShownOnSites } from './target';

export const PLACE_KINDS = ['day', 'hours', 'entry', 'material', 'view', 'embed'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What somebody picks for a page of a site: a path of ours, or the id of an embed. */
export const placedInput = z
  .object({
    kind: z.enum(PLACE_KINDS),
    path: z.string({ error: 'Choose one.' }).min(1, 'Choose one.').max(300),
    title: z.string().trim().min(1, 'Give it a title.').max(200, 'At most 200 characters.'),
    /** The height of its frame, in CSS pixels; absent: a link. */
    frame: z
      .int({ error: 'Give a whole number of pixels.' })
      .min(150, 'At least 150 pixels.')
      .max(3000, 'At most 3,000 pixels.')
      .optional(),
  })
  .refine(({ kind, path }) => kind === 'embed' || (isShownOnSites(path) && !path.startsWith('/lti/')), {
    path: ['path'],
    error: 'Choose one.',
  });
export type PlacedInput = z.output<typeof placedInput>;
