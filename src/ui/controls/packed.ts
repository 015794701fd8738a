import { useMemo } from 'react';

/**
 * A view as one text. A page sends thousands of marks to the browser, and React walks through every value that it is handed
 * over, twice; a text it takes as it is. For plain values alone: no dates, sets or functions.
 */
export type Packed<T> = string & Readonly<{ of?: T }>;

export const packed = <T>(view: T): Packed<T> => JSON.stringify(view);

export const useUnpacked = <T>(text: Packed<T>): T => useMemo(() => JSON.parse(text) as T, [text]);
