import type { MetadataRoute } from 'next';

/**
 * Everything may be fetched: pages say by their own header that no search lists them, and who is kept from fetching a page never
 * reads that.
 */
export default function robots(): MetadataRoute.Robots {
  return { rules: { userAgent: '*', allow: '/', disallow: '/api/' } };
}
