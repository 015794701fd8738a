/** Only a path of our own may follow a sign-in. */
export const safePath = (to: string | undefined): string => (to && /^\/(?![/\\])/.test(to) ? to : '/');
