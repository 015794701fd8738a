/** The number that was typed; undefined where nothing was. What is none goes out as it is, and comes back with a sentence. */
export const numberIn = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text));
