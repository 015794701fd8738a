export function heapFlags(env?: Readonly<Record<string, string | undefined>>): string[];
