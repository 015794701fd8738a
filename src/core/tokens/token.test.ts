import { describe, expect, test } from 'vitest';
import { HL, NV, NOW, plan, staff, student, assignment } from '../../../tests/support/plans';
import { seenPlan } from '../plan/seenPlan';
import { capabilityOf } from './capabilityOf';
import type { Scope } from './token';
import { permits, tokenInput, viewerWithin } from './token';

const having = (...scopes: Scope[]) => ({ scopes: new Set(scopes) });

describe('what a token permits', () => {
  test.each<[string, Scope, boolean, boolean]>([
    ['who may write may read', 'write:plan', false, true],
    ['and write', 'write:plan', true, true],
    ['who may read may not write', 'read:plan', true, false],
    ['nothing of another part', 'write:hours', false, false],
  ])('%s', (_, scope, write, expected) => expect(permits(having(scope), 'plan', write)).toBe(expected));
});

test('reaches into its courses alone, and sees of a plan what it reads', () => {
  const entries = [assignment({ audience: [{ course: HL }] })];
  const owner = { ...staff(HL, NV), memberOf: student().memberOf };
  const other = viewerWithin(owner, { ...having('read:plan'), courses: new Set([NV]) });
  expect([[...other.staffOf], [...other.instructs], other.memberOf.size]).toEqual([[NV], [NV], 0]);
  const whole = viewerWithin(owner, having('read:plan'));
  const hours = viewerWithin(owner, having('write:hours'));
  expect(seenPlan(whole, plan({ entries }), NOW).entries).toHaveLength(1);
  expect(seenPlan(hours, plan({ entries }), NOW)).toMatchObject({ entries: [], classes: [] });
});

describe('what a route asks of a token', () => {
  test.each<[string, string, string | undefined]>([
    ['GET', 'entries', 'read plan'],
    ['POST', 'entries', 'write plan'],
    ['PUT', 'entries/1/done', 'write own'],
    ['POST', 'closures/hits', 'read plan'],
    ['GET', 'courses', 'read plan'],
    ['POST', 'courses', 'write school'],
    ['DELETE', 'courses/1', 'write school'],
    ['PUT', 'courses/1', 'write plan'],
    ['POST', 'courses/1/roster/preview', 'read people'],
    ['PUT', 'courses/1/start', 'write own'],
    ['PUT', 'people/1', 'write school'],
    ['GET', 'people/1', undefined],
    ['POST', 'sheets/1/link', undefined],
    ['POST', 'history/1/undo', undefined],
    ['GET', 'history/1', 'read plan'],
    ['POST', 'session', undefined],
    ['POST', 'tokens', undefined],
    ['PUT', 'account/password', undefined],
    ['GET', 'guardians', undefined],
  ])('%s %s', (method, path, expected) => {
    const asked = capabilityOf(method, path);
    expect(asked && `${asked.write ? 'write' : 'read'} ${asked.capability}`).toBe(expected);
  });
});

describe('what is asked for', () => {
  const fields = (json: object) => tokenInput.safeParse({ name: 'T', scopes: ['read:plan'], ...json }).error?.issues.map(({ path }) => path[0] ?? 'unknown'); // prettier-ignore
  test.each<[string, object, string | undefined]>([
    ['is a name and scopes', {}, undefined],
    ['a scope that is none', { scopes: ['read:all'] }, 'scopes'],
    ['no scope', { scopes: [] }, 'scopes'],
    ['no course', { courses: [] }, 'courses'],
    ['an origin with a path', { origins: ['https://timetable.example/x'] }, 'origins'],
    ['an origin of no web page', { origins: ['file://'] }, 'origins'],
    ['an origin', { origins: ['https://timetable.example:8443'] }, undefined],
    ['what nobody knows', { scope: 'read:plan' }, 'unknown'],
  ])('%s', (_, json, expected) => expect(fields(json)?.[0]).toBe(expected));
});
