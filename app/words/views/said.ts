/** What a phrase takes into it. */
export type Said = string | number;
