/** Where the page of a class is; it stays when the class moves. */
export const classPath = (meeting: string): string => `/class/${encodeURIComponent(meeting)}`;
