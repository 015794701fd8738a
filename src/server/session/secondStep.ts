import { createHash, randomBytes } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import QRCode from 'qrcode';
import type { Viewer } from '@/core/entries/viewer';
import { isOnStaff } from '@/core/entries/viewer';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import type { Person } from '@/data/people/people';
import type { SecondStepRow } from '@/data/people/secondSteps';
import {
  beginSecondStepOf,
  deleteSecondSteps,
  lacksSecondStep,
  secondStepOf,
  updateSecondStep,
} from '@/data/people/secondSteps';
import type { Pembit } from '../pembit';
import { seal, unseal } from './sealed';

const RECOVERY_CODES = 10;
const STEP_SECONDS = 30;

/** Somebody who is signed in. */
type Actor = Readonly<{ person: Person; viewer: Extract<Viewer, { kind: 'person' }> }>;

/** RFC 6238 with the values that authenticators expect: SHA-1, six digits, thirty seconds. */
const totpOf = (secret: string, email: string) =>
  new TOTP({ issuer: 'Pembit', label: email, secret: Secret.fromBase32(secret), digits: 6, period: STEP_SECONDS }); // prettier-ignore

const sealing = (person: PersonId) => ({ purpose: 'second step', of: person }) as const;

export const hasSecondStep = async (reader: Reader, person: PersonId): Promise<boolean> => {
  const row = await secondStepOf(reader, person);
  return row !== undefined && row.confirmed_at !== null;
};

/**
 * Whether somebody has to set up a second step before anything else: staff of a school that asks for it. Who signs in at the
 * school alone, and has no password here, is left to the school.
 */
export async function owesSecondStep(reader: Reader, { person, viewer }: Actor): Promise<boolean> {
  if (!person.isAdmin && !isOnStaff(viewer)) return false;
  return lacksSecondStep(reader, person.id);
}

const plainCode = (code: string) => code.toLowerCase().replace(/[^0-9a-z]/g, '');
const hashOf = (code: string) => createHash('sha256').update(plainCode(code)).digest('base64url');

/** The time step that a code belongs to, one before and after included; undefined where it is none, or was used. */
function stepOf(pembit: Pembit, row: SecondStepRow, person: PersonId, code: string): number | undefined {
  const totp = totpOf(unseal(pembit, sealing(person), row.secret), '');
  const timestamp = pembit.now().epochMilliseconds;
  const delta = totp.validate({ token: plainCode(code), timestamp, window: 1 });
  if (delta === null) return undefined;
  const step = Math.floor(timestamp / 1000 / STEP_SECONDS) + delta;
  return step > row.last_step ? step : undefined;
}

/** Spends a code of the authenticator, or a recovery code: neither works a second time. */
export function spendCode(pembit: Pembit, person: PersonId, code: string): Promise<boolean> {
  return pembit.queue.write(
    async (writer) => {
      const row = await secondStepOf(writer, person);
      if (!row) return false;
      const step = stepOf(pembit, row, person, code);
      if (step !== undefined) {
        await updateSecondStep(writer, person, { last_step: step });
        return true;
      }
      const hashes = JSON.parse(row.recovery) as string[];
      const left = hashes.filter((hash) => hash !== hashOf(code));
      if (left.length === hashes.length) return false;
      await updateSecondStep(writer, person, { recovery: JSON.stringify(left) });
      return true;
    },
    { aside: true },
  );
}

export type NewSecondStep = Readonly<{ key: string; picture: string }>;

/** A new secret, which counts once a code of it was typed: in letters, and as a picture (a data URL). For staff. */
export async function beginSecondStep(pembit: Pembit, actor: Actor): Promise<Outcome<NewSecondStep>> {
  const { id, email, isAdmin } = actor.person;
  if (!isAdmin && !isOnStaff(actor.viewer)) return refused('notYours');
  if (await hasSecondStep(pembit, id)) return refused('changedMeanwhile');
  const key = new Secret({ size: 20 }).base32;
  await pembit.queue.write((writer) => beginSecondStepOf(writer, id, seal(pembit, sealing(id), key)), {
    aside: true,
  });
  return done({ key, picture: await QRCode.toDataURL(totpOf(key, email).toString(), { margin: 1, width: 220 }) }); // prettier-ignore
}

/** Turns the second step on by its first code; answers with recovery codes, which are kept as hashes alone. */
export async function confirmSecondStep(
  pembit: Pembit,
  actor: Actor,
  code: string,
): Promise<Outcome<{ recovery: readonly string[] }>> {
  const { id } = actor.person;
  const recovery = Array.from({ length: RECOVERY_CODES }, () => randomBytes(8).toString('hex').replace(/(.{4})(?=.)/g, '$1-')); // prettier-ignore
  const confirmed = await pembit.queue.write(
    async (writer) => {
      const row = await secondStepOf(writer, id);
      const step = row && row.confirmed_at === null ? stepOf(pembit, row, id, code) : undefined;
      if (step === undefined) return false;
      const confirmedMs = pembit.now().epochMilliseconds;
      await updateSecondStep(writer, id, { confirmed_at: confirmedMs, last_step: step, recovery: JSON.stringify(recovery.map(hashOf)) }); // prettier-ignore
      return true;
    },
    { aside: true },
  );
  return confirmed ? done({ recovery }) : refused('wrongCode');
}

/** Turns it off, for whoever has a code: a session alone is not enough. */
export async function endSecondStep(pembit: Pembit, actor: Actor, code: string): Promise<Outcome<null>> {
  const { id } = actor.person;
  if (!(await spendCode(pembit, id, code))) return refused('wrongCode');
  await pembit.queue.write((writer) => deleteSecondSteps(writer, id), { aside: true });
  return done(null);
}
