/** Keys of the courses that are switched off, from the `without` parameter of the address. */
export const withoutCourses = (parameter: string | null | undefined): ReadonlySet<string> =>
  new Set((parameter ?? '').split(',').filter(Boolean));

/** The query of the address with one course switched the other way. */
export function switched(search: string, off: ReadonlySet<string>, key: string): string {
  const next = new Set(off);
  if (!next.delete(key)) next.add(key);
  const query = new URLSearchParams(search);
  if (next.size > 0) query.set('without', [...next].join(','));
  else query.delete('without');
  const text = query.toString();
  return text ? `?${text}` : '?';
}
