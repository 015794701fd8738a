import { z } from 'zod';
import { longText } from '../fields';

/** A table as it was pasted, or as a file held it. */
export const tableText = z.object({ text: longText(1_000_000) });

/** The bytes that the request of a table may have: some letters take several. */
export const MOST_BYTES = 4 * 1024 * 1024;
