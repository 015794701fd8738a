/** What every secret of an address is: 256 bits in base64url (RFC 4648 section 5), 43 characters, as a part of a path or a value. */
const TOKEN = /(?<=[/=])[A-Za-z0-9_-]{43}(?![A-Za-z0-9_-])/g;

/** A text without what opens something: each secret of an address becomes three dots. For letters that were handed over. */
export const withoutTokens = (text: string): string => text.replace(TOKEN, '…');
