const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** The course that a site's is most likely meant to be: the one whose code, or else whose title, its title holds. */
export function likelyCourse<C extends Readonly<{ code: string; title: string }>>(
  title: string,
  courses: readonly C[],
): C | undefined {
  const holds = (text: string) => plain(text) !== '' && plain(title).includes(plain(text));
  return courses.find(({ code }) => holds(code)) ?? courses.find((course) => holds(course.title));
}
