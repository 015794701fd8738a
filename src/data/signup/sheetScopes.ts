import type { Sheet } from '@/core/signup/sheet';

/** What a change to a sheet concerns: each of its courses. */
export const scopesOf = (sheet: Sheet) => sheet.audience.map((part) => `course:${part.course}` as const);
