/** A host that no letter reaches (RFC 2606, 2: `.invalid` never resolves). */
const HOST = '@no-address.invalid';

/** What stands in the place of an address for somebody who gave none; their own, so that nobody else has it. */
export const addressInstead = (id: string): string => `${id}${HOST}`;

/** Whether an address only stands in the place of one. */
export const isNobodysAddress = (address: string): boolean => address.endsWith(HOST);

/** An address as people read it: empty where there is none. */
export const shownAddress = (address: string): string => (isNobodysAddress(address) ? '' : address);
