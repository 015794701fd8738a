import { z } from 'zod';
import { longText } from '../fields';

/** A table as it was pasted, or as a file held it. */
export const tableText = z.object({ text: longText(1_000_000) });
