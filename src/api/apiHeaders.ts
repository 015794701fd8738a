/** What every answer under /api/ carries, whoever sends it: Next, or the process in front of it. */
export const API_HEADERS = {
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'x-content-type-options': 'nosniff',
} as const;
