import parseRange from 'range-parser';
import { FRAMES } from '@/core/lti/frames';
import { isRecording, shownAs } from '@/core/materials/fileTypes';
import type { StoredFile } from '@/data/materials/files';
import type { Config } from '../config';
import { readStored } from './fileStore';

/** Header values are Latin letters; the whole name goes along as RFC 8187 has it. */
export const disposition = (how: string, name: string) =>
  `${how}; filename="${name.replace(/[^\x20-\x7e]|["\\%]/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name).replace(/['()*]/g, (c) => `%${c.charCodeAt(0).toString(16)}`)}`;

/**
 * The bytes of a file, whole or in part (RFC 9110, one range). Nothing in it can run as the application: its type is the one
 * that its content showed, and it stands in a policy of its own.
 */
export function answerFile(config: Config, file: StoredFile, asked: Headers): Response {
  const etag = `"${file.hash}"`;
  const frames = asked.get(FRAMES);
  const headers: Record<string, string> = {
    etag,
    'accept-ranges': 'bytes',
    'cache-control': 'private, no-cache',
    'x-content-type-options': 'nosniff',
    'cross-origin-resource-policy': 'same-origin',
    'referrer-policy': 'no-referrer',
    // The browser's own viewers of PDF, sound and film do not work in a sandbox; what they show runs no script of the page.
    'content-security-policy': `default-src 'none'; img-src 'self'; media-src 'self'; style-src 'unsafe-inline'; frame-ancestors ${frames ? `'self' ${frames}` : "'none'"}${file.mediaType === 'application/pdf' || isRecording(file.mediaType) ? '' : '; sandbox'}`,
  };
  if (
    asked
      .get('if-none-match')
      ?.split(/\s*,\s*/)
      .includes(etag)
  )
    return new Response(null, { status: 304, headers });
  const type = file.mediaType.startsWith('text/') ? `${file.mediaType}; charset=utf-8` : file.mediaType;
  const content = {
    ...headers,
    'content-type': type,
    'content-disposition': disposition(shownAs(file.mediaType), file.name),
  };
  const since = asked.get('if-range');
  const wanted = since === null || since === etag ? asked.get('range') : null;
  const ranges = wanted === null ? undefined : parseRange(file.size, wanted);
  if (ranges === -1)
    return new Response(null, {
      status: 416,
      headers: { ...headers, 'content-range': `bytes */${file.size}` },
    });
  const [range, ...more] = Array.isArray(ranges) && ranges.type === 'bytes' ? ranges : [];
  // Several ranges at once may be answered whole.
  if (!range || more.length > 0)
    return new Response(readStored(config, file.hash), {
      headers: { ...content, 'content-length': String(file.size) },
    });
  return new Response(readStored(config, file.hash, range), {
    status: 206,
    headers: {
      ...content,
      'content-length': String(range.end - range.start + 1),
      'content-range': `bytes ${range.start}-${range.end}/${file.size}`,
    },
  });
}
