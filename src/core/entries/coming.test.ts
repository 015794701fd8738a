import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { PersonId } from '../ids';
import { hasSeatFor, seatedNow, waitingFor } from './coming';
import type { Answer, Reply } from './entry';

const reply = (name: string, answer: Answer, waits?: number): Reply => ({
  person: name as PersonId,
  name,
  answer,
  ...(waits === undefined ? {} : { waitingSince: Temporal.Instant.fromEpochMilliseconds(waits) }),
});
const replies = [
  reply('Ivo', 'coming'), reply('Oda', 'waiting', 20), reply('Pim', 'notComing'), reply('Runa', 'waiting', 10),
]; // prettier-ignore
const names = (list: readonly Reply[]) => list.map(({ name }) => name);

test('whoever waits longest is first, and has the next seat', () => {
  expect(names(waitingFor({ seats: 1, replies }))).toEqual(['Runa', 'Oda']);
  expect(names(seatedNow({ seats: 1, replies }))).toEqual([]);
  expect(names(seatedNow({ seats: 2, replies }))).toEqual(['Runa']);
  expect(names(seatedNow({ replies }))).toEqual(['Runa', 'Oda']);
});

test('a free seat is not taken past those who wait', () => {
  const free = (seats: number | undefined, who: string) =>
    hasSeatFor({ ...(seats === undefined ? {} : { seats }), replies }, who as PersonId);
  expect([free(3, 'Pim'), free(4, 'Pim'), free(undefined, 'Pim')]).toEqual([false, true, true]);
  // One's own answer is in nobody's way.
  expect([free(3, 'Ivo'), free(2, 'Ivo')]).toEqual([true, false]);
});
