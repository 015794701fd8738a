import { afterAll, beforeAll, expect, test } from 'vitest';
import { STUDENTS, runStorm } from '../support/storm';
import type { RunningPembit } from './server';
import { startPembit } from './server';

let pembit: RunningPembit;
beforeAll(async () => void (pembit = await startPembit({ PEMBIT_PROXY: '1', HOST: 'localhost' })));
afterAll(() => pembit.stop());

test('never more than the seats, never more than a student’s limit, nobody loses a time, every refusal says why', async () => {
  const { slots, people, told, statuses, sentences, lost, refusals, requests, p99, held } =
    await runStorm(pembit);
  expect(slots).toHaveLength(10);
  expect(people.size).toBe(STUDENTS);
  expect(Math.max(...statuses)).toBeLessThan(500);
  for (const sentence of sentences) expect(sentence).toMatch(/\.$/);
  expect(lost).toEqual([]);
  for (const slot of slots) {
    const seats = held.filter((booking) => booking.slot_id === slot).map((booking) => booking.seat);
    expect(seats.length).toBeLessThanOrEqual(2);
    expect(new Set(seats).size).toBe(seats.length);
  }
  for (const [email, own] of told) {
    const kept = held.filter((booking) => booking.email === email).map((b) => `${b.id} ${b.slot_id}`);
    expect(kept.length).toBeLessThanOrEqual(2);
    expect(new Set(kept)).toEqual(own);
  }
  // How many are held in the end is chance: some give theirs back when the others have gone.
  expect(held.length).toBeGreaterThan(0);
  console.log(`Storm: ${requests} requests of ${STUDENTS} students, ${held.length} of 20 seats held, p99 ${p99} ms; refused: ${JSON.stringify(Object.fromEntries(refusals))}`); // prettier-ignore
});
