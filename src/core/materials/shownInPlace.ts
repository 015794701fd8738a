import { isRecording, shownAs } from './fileTypes';

/** What is known of an uploaded file that a link leads to. */
export type LinkedFile = Readonly<{ name: string; mediaType: string }>;

/** How a file shows where its link stands; a recording with the address of its captions, where there are some. */
export type InPlace = Readonly<{ as: 'audio' | 'video' | 'picture'; captions?: string }>;

/** A name without its ending, by which files that belong together are known. */
export const stemOf = (name: string) => name.replace(/\.[^.]*$/, '').toLowerCase();

/**
 * Which of the links that stand together play or show in place, by their addresses. A caption file (WebVTT) of the same name
 * beside a recording belongs to it.
 */
export function shownInPlace(
  urls: readonly string[],
  fileOf: ReadonlyMap<string, LinkedFile>,
): ReadonlyMap<string, InPlace> {
  const files = urls.flatMap((url) => {
    const file = fileOf.get(url);
    return file ? [{ url, ...file }] : [];
  });
  const captionsOf = (name: string) =>
    files.find((file) => file.mediaType === 'text/vtt' && stemOf(file.name) === stemOf(name))?.url;
  return new Map(
    files.flatMap(({ url, name, mediaType }): [string, InPlace][] => {
      // What a browser is handed to be saved does not play in it either.
      if (shownAs(mediaType) !== 'inline') return [];
      if (mediaType.startsWith('image/')) return [[url, { as: 'picture' }]];
      if (!isRecording(mediaType)) return [];
      const captions = captionsOf(name);
      const as = mediaType.startsWith('audio/') ? 'audio' : 'video';
      return [[url, { as, ...(captions ? { captions } : {}) }]];
    }),
  );
}
