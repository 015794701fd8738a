/** What a token is good for, part by part of what its owner may. */
export const CAPABILITIES = ['plan', 'materials', 'hours', 'people', 'outlets', 'own', 'school'] as const;
export type Capability = (typeof CAPABILITIES)[number];
