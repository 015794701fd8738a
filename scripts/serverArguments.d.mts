export function serverArguments(env?: Readonly<Record<string, string | undefined>>): string[];
