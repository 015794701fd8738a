import { z } from 'zod';
import { outletId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { addressPicture } from '@/server/outlets/addressPicture';
import { outletsFor } from '@/server/outlets/publish';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: outletId });

/** The address of a feed or an embed as a picture to be photographed (SVG), for whoever may change it. */
export const GET = endpoint({ who: 'person', params }, async ({ pembit, actor, params }) => {
  const outlet = (await outletsFor(pembit, actor)).find(({ id }) => id === params.id);
  if (!outlet) return refused('notFound');
  const picture = await addressPicture(outlet.url.replace(/^https?:/, 'webcal:'));
  return new Response(picture, { headers: { 'content-type': 'image/svg+xml', 'cache-control': 'no-store' } });
});
