/** Said now and then by long work: so much of so much is done. */
export type Report = (done: number, of: number) => void;
