import { createHash } from 'node:crypto';

/**
 * The name of a row that hangs on another one, made of what it hangs on and of whom or what it is for: what is written anew
 * as it was is the same row again, so that an act before it can still be undone.
 */
export const partId = (owner: string, ...key: readonly (string | number)[]): string =>
  createHash('sha256')
    .update(JSON.stringify([owner, ...key]))
    .digest('hex')
    .slice(0, 32);
