import { z } from 'zod';
import { outletId } from '@/core/ids';
import { addressPicture } from '@/server/outlets/addressPicture';
import { outletFor } from '@/server/outlets/publish';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: outletId });

/** The address of a feed or an embed as a picture to be photographed (SVG), for whoever may change it. */
export const GET = endpoint(
  { who: 'person', params, answer: 'image/svg+xml' },
  async ({ pembit, actor, params }) => {
    const found = await outletFor(pembit, actor, params.id);
    if (!found.ok) return found;
    const picture = await addressPicture(found.value.url.replace(/^https?:/, 'webcal:'));
    return new Response(picture, {
      headers: { 'content-type': 'image/svg+xml', 'cache-control': 'no-store' },
    });
  },
);
