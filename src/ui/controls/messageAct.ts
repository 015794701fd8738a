/** Something else that can be done from the message: bring along what hangs on a date, tell the students. */
export type MessageAct = Readonly<{ label: string; run: () => unknown }>;
