import { z } from 'zod';

/** A course site that may launch into Pembit (an LTI 1.3 platform). */
export type Platform = Readonly<{
  id: string;
  name: string;
  issuer: string;
  clientId: string;
  /** Its public keys, where one signs in, and where tokens for its services are given out. */
  keysUrl: string;
  authUrl: string;
  tokenUrl: string;
  /** Whom an assertion to the token endpoint is for; most sites mean the endpoint itself. */
  tokenAudience: string;
  /** Where its pages are: what may show Pembit in a frame. */
  origins: readonly string[];
  deployments: readonly string[];
  /** Whether names and addresses that it sends are kept. */
  asksNames: boolean;
  /** A site that has registered itself waits for the office's yes. */
  accepted: boolean;
}>;

const address = z
  .url({ protocol: /^https?$/, error: 'Give an address, such as https://learn.example/keys.' })
  .max(2000);
const origin = z
  .url({ protocol: /^https?$/, error: 'Give an origin, such as https://learn.example.' })
  .refine((text) => new URL(text).origin === text.replace(/\/$/, ''), { error: 'Give an origin, such as https://learn.example.' })
  .transform((text) => new URL(text).origin); // prettier-ignore
const word = (what: string) =>
  z.string().trim().min(1, `Give ${what}.`).max(255, `At most 255 characters for ${what}.`);

/** What the office says of a site. */
export const platformInput = z.object({
  name: word('its name'),
  issuer: word('its issuer').refine((text) => URL.canParse(text), { error: 'An issuer is an address, such as https://learn.example.' }),
  clientId: word('the client ID'),
  keysUrl: address,
  authUrl: address,
  tokenUrl: address,
  tokenAudience: z.string().trim().max(2000).default(''),
  deployments: z.array(word('a deployment ID')).min(1, 'Give at least one deployment ID.').max(200),
  origins: z.array(origin).max(20).default([]),
  asksNames: z.boolean().default(true),
}); // prettier-ignore
export type PlatformInput = z.output<typeof platformInput>;

/** Where a site's pages are: where one signs in to it, who it says it is, and what the office adds. */
export const originsOf = ({ issuer, authUrl, origins }: Pick<PlatformInput, 'issuer' | 'authUrl' | 'origins'>): string[] => [
  ...new Set([new URL(authUrl).origin, ...(/^https?:/.test(issuer) ? [new URL(issuer).origin] : []), ...origins]),
]; // prettier-ignore
