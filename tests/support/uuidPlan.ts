import { createHash } from 'node:crypto';
import type { Plan } from '@/core/plan/plan';
import { plan } from './arbitraryPlan';

const ID = /^(t|c\d|c\d[ab]|m-c\d[ab]|e\d+|sh\d+|sl\d+-\d+|g\d)$/;
/** The ids of the random plans are short words; a package has UUIDs. */
const uuidOf = (word: string) => {
  const hex = createHash('sha256').update(word).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
};

/** A plain value, its parts replaced from the leaves up. Dates, times and instants are leaves. */
export function deep(value: unknown, leaf: (value: unknown, key: string) => unknown, key = ''): unknown {
  if (Array.isArray(value)) return value.map((item) => deep(item, leaf, key));
  if (value instanceof Map) return new Map([...value].map(([k, v]) => [k, deep(v, leaf, String(k))]));
  if (value !== null && typeof value === 'object' && Object.getPrototypeOf(value) === Object.prototype)
    return Object.fromEntries(
      Object.entries(value).flatMap(([k, v]) => {
        const next = deep(v, leaf, k);
        return next === undefined ? [] : [[k, next]];
      }),
    );
  return leaf(value, key);
}

const withUuids = (given: Plan) =>
  deep(given, (value, key) =>
    typeof value === 'string' && ID.test(value) && !/^(title|name|code|tag)$/.test(key) ? uuidOf(value) : value,
  ) as Plan; // prettier-ignore

const groups = ['g1', 'g2'].map((id) => ({ id: uuidOf(id) as never, name: id, students: 2 }));
/** Random plans with ids that a package can have, and groups. */
export const uuidPlan = plan.map((given) => {
  const named = withUuids(given);
  return { ...named, courses: named.courses.map((course, i) => (i === 0 ? { ...course, groups } : course)) };
});
