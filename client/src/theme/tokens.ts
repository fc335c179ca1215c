/** Colours and measures. Water colour is for water alone; brick for Stop, ochre for Fix, and never colour without word and shape. */
export interface Palette {
  ground: string;
  /** A second ground, for what lies beside the main thing. */
  bank: string;
  ink: string;
  /** Secondary text; still at least 4.5:1 on ground. */
  soft: string;
  /** Usual values in empty boxes: grey, yet readable. */
  faint: string;
  line: string;
  water: string;
  /** Water seen through: fills. */
  shallow: string;
  stop: string;
  fix: string;
  holds: string;
  /** Soil and grass in sections. */
  soil: string;
}

export type ThemeName = 'daylight' | 'glare' | 'dusk';

export const PALETTES: Record<ThemeName, Palette> = {
  daylight: {
    ground: '#f6f2e7',
    bank: '#ece6d6',
    ink: '#14181a',
    soft: '#4c5254',
    faint: '#6d706a',
    line: '#c9c1ad',
    water: '#0b4f79',
    shallow: '#9cc3da',
    stop: '#96291b',
    fix: '#7c5200',
    holds: '#14181a',
    soil: '#d9cdb2',
  },
  glare: {
    ground: '#ffffff',
    bank: '#f3f3f3',
    ink: '#000000',
    soft: '#2d2d2d',
    faint: '#595959',
    line: '#8c8c8c',
    water: '#003a63',
    shallow: '#8fbfe0',
    stop: '#7d1508',
    fix: '#5c3b00',
    holds: '#000000',
    soil: '#dddddd',
  },
  dusk: {
    ground: '#14181a',
    bank: '#1e2427',
    ink: '#f0ebdf',
    soft: '#b9b6ab',
    faint: '#98968d',
    line: '#444c50',
    water: '#6fb6e2',
    shallow: '#24506b',
    stop: '#ff9280',
    fix: '#e8b757',
    holds: '#f0ebdf',
    soil: '#2f2c25',
  },
};

export const FONTS = { text: 'Hyperlegible', bold: 'HyperlegibleBold', figures: 'HyperlegibleMono' } as const;
/** Least size of a thing to tap, px. */
export const TOUCH = 44;

/** How far a pointer may wander and still only tap, px. */
export const SLACK = 5;
/** Without a layer of its own, which all else has here: the browser looks for a finger, and makes its picture, layer by layer. */
export const FLAT = { position: 'static', zIndex: 'auto' } as object;
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;
/** Width from which the wide layout is used, px. */
export const WIDE = 900;
/** Width from which three things stand side by side, px. */
export const THREE = 1500;
/** A screen lower than this and wider than that is a phone on its side, px. */
export const SHORT = { height: 500, width: 560 } as const;
