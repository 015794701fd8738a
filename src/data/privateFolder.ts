import { chmodSync, chownSync, lstatSync, readdirSync } from 'node:fs';
import path from 'node:path';

/** Whatever this process makes is its owner's alone, whatever the umask was. */
export const makeOnlyPrivate = (): void => void process.umask(0o077);

/** Everything in a folder and the folder itself, folders before what they hold. */
function* within(folder: string): Generator<string> {
  yield folder;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const own = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* within(own);
    else if (entry.isFile()) yield own;
  }
}

/** Takes others' rights away from what is there already: folders 0700, files 0600. What another owner made is left. */
export function makePrivate(folder: string): void {
  for (const own of within(folder)) {
    const stat = lstatSync(own);
    const mode = stat.isDirectory() ? 0o700 : 0o600;
    const mine = process.getuid?.() === 0 || stat.uid === process.getuid?.();
    if (mine && (stat.mode & 0o777) !== mode) chmodSync(own, mode);
  }
}

/** Gives everything in a folder to whoever owns the folder itself: root restores for the account that serves it. */
export function giveToOwner(folder: string): void {
  if (process.getuid?.() !== 0) return;
  const { uid, gid } = lstatSync(folder);
  if (uid === 0) return;
  for (const own of within(folder)) chownSync(own, uid, gid);
}
