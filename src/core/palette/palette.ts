import type { CourseColor } from '../plan/plan';

/** Ink for text and tags, tint for grounds. */
export type Pair = Readonly<{ ink: string; tint: string }>;
export type Scheme = 'light' | 'dark';

/** The ground colours of `look`: the same in the application and in embeds. */
export const GROUNDS = {
  light: {
    paper: '#faf8f3', card: '#fffdf9', ink: '#23272e', soft: '#5c626d', rule: '#e2dccf', ruleFaint: '#efeadf',
    edge: '#8d8778', amber: '#7a4f00', spruce: '#1e4f47', onSpruce: '#ffffff', spruceTint: '#eaf1ec',
    marigold: '#d98e04', marigoldGround: '#fdf1d6', hatch: '#efe9dc', past: '#f4f0e7', error: '#9b1c1c',
  },
  dark: {
    paper: '#1b1e22', card: '#22262b', ink: '#ece8df', soft: '#adb1b8', rule: '#3b4047', ruleFaint: '#2c3036',
    edge: '#7f8794', amber: '#f2c46d', spruce: '#8cc7b8', onSpruce: '#11251f', spruceTint: '#263731',
    marigold: '#e0a02b', marigoldGround: '#3a301b', hatch: '#2b2e31', past: '#17191d', error: '#f2a29b',
  },
} as const satisfies Record<Scheme, Record<string, string>>; // prettier-ignore

/** The ten course colours. Inks are chosen for contrast and for distance under colour-vision deficiencies (see the test). */
export const COURSE_PAIRS: Readonly<Record<Scheme, Readonly<Record<CourseColor, Pair>>>> = {
  light: {
    brick: { ink: '#964737', tint: '#f7ebe8' },
    sea: { ink: '#00558d', tint: '#e9eef7' },
    plum: { ink: '#4a2954', tint: '#f3ecf4' },
    olive: { ink: '#2f5000', tint: '#ebefe5' },
    copper: { ink: '#401f00', tint: '#f6ece6' },
    slate: { ink: '#4a4e51', tint: '#eceef0' },
    rose: { ink: '#7d0024', tint: '#f8ebea' },
    indigo: { ink: '#0020b2', tint: '#efecf6' },
    moss: { ink: '#407500', tint: '#ebefe6' },
    teal: { ink: '#007674', tint: '#e3f1f0' },
  },
  dark: {
    brick: { ink: '#ffafa2', tint: '#392724' },
    sea: { ink: '#99ccf9', tint: '#202e3a' },
    plum: { ink: '#c395c3', tint: '#352835' },
    olive: { ink: '#d3d981', tint: '#2c2d1e' },
    copper: { ink: '#c79727', tint: '#322b1e' },
    slate: { ink: '#c4c8cb', tint: '#2a2c2e' },
    rose: { ink: '#ff6d99', tint: '#3a272b' },
    indigo: { ink: '#8b9bff', tint: '#2a2b3a' },
    moss: { ink: '#44c070', tint: '#212f24' },
    teal: { ink: '#9effff', tint: '#193030' },
  },
};
