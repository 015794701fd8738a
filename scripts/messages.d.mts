/** Compiles the catalogues in messages/; writes only what changed. */
export function compileMessages(): void;
/** The arguments of a message in ICU MessageFormat: of which type each is. */
export function argumentsOf(message: string): Map<string, string>;
