const WITHOUT_SCHEME = /^[a-z0-9-]+(?:\.[a-z0-9-]+)*\.[a-z]{2,}(?::\d{1,5})?(?:[/?#]\S*)?$/i;

/**
 * An address as people type it, with the scheme that they left out; anything else as it is.
 *
 * @example wholeAddress('library.example/floor') // 'https://library.example/floor'
 */
export const wholeAddress = (text: string): string => (WITHOUT_SCHEME.test(text) ? `https://${text}` : text);

/** Whether what is being typed is a whole address of the web by now. */
export const isWebAddress = (text: string): boolean =>
  /^https?:/i.test(wholeAddress(text)) && URL.canParse(wholeAddress(text));
