import { expect, test } from 'vitest';
import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import { unknownFields } from './unknownFields';

const fields = (schema: z.ZodType, value: unknown) => unknownFields(schema, value).map(({ field }) => field);
const part = z.object({ a: z.string().optional() });

test.each<[string, z.ZodType, unknown, string[]]>([
  ['nothing', part, { a: 'x' }, []],
  ['a field', part, { a: 'x', b: 1 }, ['b']],
  ['a field that every object has', part, { constructor: 1 }, ['constructor']],
  ['within lists', z.object({ list: z.array(part) }), { list: [{}, { c: 1 }] }, ['list.1.c']],
  ['within what may be absent, or is checked', z.object({ p: part.refine(() => true).optional() }), { p: { d: 1 } }, ['p.d']],
  ['before something is made of it', z.object({ p: part.transform(String) }), { p: { d: 1 } }, ['p.d']],
  ['within what has a default', z.object({ p: part.default({}) }), { p: { d: 1 } }, ['p.d']],
  ['under any name', z.record(z.string(), part), { one: { d: 1 } }, ['one.d']],
  ['in the one of several that is meant', z.union([part.strict(), z.object({ a: z.string(), e: z.number() })]), { a: 'x', e: 1 }, []],
  ['in none of several', z.union([part, z.number()]), { f: 1 }, ['f']],
  ['of an entry', entryInput, { kind: 'note', title: 'N', on: '2026-10-15', onn: '', about: undefined }, ['onn']],
  ['of an entry, within it', entryInput, { kind: 'announcement', title: 'A', on: '2026-10-15', audience: [{ course: crypto.randomUUID(), section: 'A' }] }, ['audience.0.section']],
])('names %s', (_, schema, value, expected) => expect(fields(schema, value)).toEqual(expected)); // prettier-ignore
