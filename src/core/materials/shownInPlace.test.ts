import { describe, expect, test } from 'vitest';
import type { LinkedFile } from './shownInPlace';
import { shownInPlace } from './shownInPlace';

const FILES = new Map<string, LinkedFile>([
  ['/f/film', { name: 'Lofting.mp4', mediaType: 'video/mp4' }],
  ['/f/captions', { name: 'lofting.vtt', mediaType: 'text/vtt' }],
  ['/f/voice', { name: 'voice.mp3', mediaType: 'audio/mpeg' }],
  ['/f/plan', { name: 'plan.png', mediaType: 'image/png' }],
  ['/f/sheet', { name: 'sheet.pdf', mediaType: 'application/pdf' }],
  ['/f/camera', { name: 'camera.mov', mediaType: 'video/quicktime' }],
]);

describe('what plays or shows where its link stands', () => {
  test('recordings and pictures do; documents and what browsers do not play do not', () =>
    expect([...shownInPlace([...FILES.keys(), 'https://library.example/film.mp4'], FILES)]).toEqual([
      ['/f/film', { as: 'video', captions: '/f/captions' }],
      ['/f/voice', { as: 'audio' }],
      ['/f/plan', { as: 'picture' }],
    ]));
  test('captions belong to a recording of their name that stands beside them', () => {
    expect(shownInPlace(['/f/film'], FILES).get('/f/film')).toEqual({ as: 'video' });
    expect(shownInPlace(['/f/voice', '/f/captions'], FILES).get('/f/voice')).toEqual({ as: 'audio' });
  });
});
