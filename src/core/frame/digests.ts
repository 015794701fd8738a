/** How often somebody is written to about what changed. */
export const DIGESTS = ['off', 'daily', 'weekly'] as const;
