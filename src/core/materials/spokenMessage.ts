/** How long a message may be that is spoken into the browser, in seconds. */
export const MOST_SPOKEN_SECONDS = 300;
