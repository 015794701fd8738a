/** Words of looking at the plan as somebody else. */
export const seeAsTexts = {
  label: 'See as',
  yourself: 'yourself',
  public: 'the public',
  section: (tag: string, name: string) => `a student of ${tag} ${name}`,
  person: (name: string, tags: string) => `${name} (${tags})`,
  banner: (who: string) => `You see your courses as ${who} does. Nothing can be changed here.`,
  back: 'Back to your own view',
} as const;
