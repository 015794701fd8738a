/** Who the school's students are, as far as protection goes. */
export const STUDENTS = ['adults', 'minors', 'mixed'] as const;
export type Students = (typeof STUDENTS)[number];
