import { createHash } from 'node:crypto';

/** The same uuid for the same name, so that the demo is the same each time it is made. */
export function demoId<T extends string>(name: string): T {
  const hex = createHash('sha256').update(`pembit demo ${name}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}` as T;
}
