/** A catalogue with what puts several of its messages together; parts within parts are extended alike. */
export function extend<A extends object, B extends object>(messages: A, more: B): Extended<A, B> {
  const parts = Object.entries(more).map(([key, value]) => {
    const known = (messages as Record<string, unknown>)[key];
    const isPart = typeof known === 'object' && known !== null;
    return [key, isPart ? extend(known, value as object) : (value as unknown)];
  });
  return { ...messages, ...Object.fromEntries(parts) } as Extended<A, B>;
}

type Extended<A, B> = {
  readonly [K in keyof A | keyof B]: K extends keyof A
    ? K extends keyof B
      ? B[K] extends (...given: never[]) => unknown
        ? B[K]
        : Extended<A[K], B[K]>
      : A[K]
    : K extends keyof B
      ? B[K]
      : never;
};
