/** Where a browser keeps which term is looked at: a cookie until it is closed; absent while that is the current one. */
export const TERM_COOKIE = 'pembit-term';

/** In which a page's own `?term=ID` reaches whatever draws it. */
export const TERM_HEADER = 'x-pembit-term';
