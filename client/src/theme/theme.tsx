/** Colours, text size and the kind of screen: what the device says, unless somebody chose. */
import {
  createContext,
  use,
  useCallback,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { PALETTES, SHORT, WIDE, type Palette, type ThemeName } from './tokens';

export type ThemeChoice = ThemeName | 'device';
/** Text as the device has it, or larger. */
export type TextSize = 'device' | 'large';

interface Theme {
  /** What was chosen, and what stands. */
  choice: ThemeChoice;
  palette: Palette;
  choose(choice: ThemeChoice): void;
  textSize: TextSize;
  chooseText(size: TextSize): void;
  /** Times the usual size of text. */
  scale: number;
}

const THEME_KEY = 'katabasis.theme';
const TEXT_KEY = 'katabasis.text';
const LARGE = 1.3;

const ThemeContext = createContext<Theme>({
  choice: 'device',
  palette: PALETTES.daylight,
  choose: () => undefined,
  textSize: 'device',
  chooseText: () => undefined,
  scale: 1,
});

const remembered = (key: string): string | null => globalThis.localStorage?.getItem(key) ?? null;

function remember(key: string, value: string): void {
  if (value === 'device') globalThis.localStorage?.removeItem(key);
  else globalThis.localStorage?.setItem(key, value);
}

function themeRemembered(): ThemeChoice {
  const kept = remembered(THEME_KEY);
  return kept === 'daylight' || kept === 'glare' || kept === 'dusk' ? kept : 'device';
}

const asked = (query: string): MediaQueryList | undefined => globalThis.matchMedia?.(query);
const DARK = '(prefers-color-scheme: dark)';
const CONTRAST = '(prefers-contrast: more)';

function subscribeDevice(listener: () => void): () => void {
  const queries = [asked(DARK), asked(CONTRAST)];
  for (const query of queries) query?.addEventListener('change', listener);
  return () => {
    for (const query of queries) query?.removeEventListener('change', listener);
  };
}

const themeOfDevice = (): ThemeName =>
  asked(CONTRAST)?.matches ? 'glare' : asked(DARK)?.matches ? 'dusk' : 'daylight';

/** How much larger than usual the device has its text: by the size of the page's root, which the browser's own setting changes. */
function scaleOfDevice(): number {
  const root = Number.parseFloat(globalThis.getComputedStyle?.(document.documentElement).fontSize ?? '');
  return Number.isFinite(root) && root > 0 ? Math.min(2, Math.max(0.85, root / 16)) : 1;
}

export function ThemeProvider({ children }: { children: ReactNode }) {
  const [choice, setChoice] = useState<ThemeChoice>(themeRemembered);
  const [textSize, setTextSize] = useState<TextSize>(() => (remembered(TEXT_KEY) === 'large' ? 'large' : 'device'));
  const [ofDevice] = useState(scaleOfDevice);
  const device = useSyncExternalStore(subscribeDevice, themeOfDevice);
  const palette = PALETTES[choice === 'device' ? device : choice];
  const choose = useCallback((next: ThemeChoice) => {
    remember(THEME_KEY, next);
    setChoice(next);
  }, []);
  const chooseText = useCallback((next: TextSize) => {
    remember(TEXT_KEY, next);
    setTextSize(next);
  }, []);
  // What the browser draws around the page goes with it.
  useEffect(() => {
    document.querySelector('meta[name=theme-color]')?.setAttribute('content', palette.ground);
    document.documentElement.style.backgroundColor = palette.ground;
  }, [palette]);
  const scale = textSize === 'large' ? Math.max(LARGE, ofDevice) : ofDevice;
  const value = useMemo(
    () => ({ choice, palette, choose, textSize, chooseText, scale }),
    [choice, palette, choose, textSize, chooseText, scale],
  );
  return <ThemeContext value={value}>{children}</ThemeContext>;
}

export const useTheme = (): Theme => use(ThemeContext);
export const usePalette = (): Palette => use(ThemeContext).palette;
/** Times the usual size of text. */
export const useTextScale = (): number => use(ThemeContext).scale;

type Styles = StyleSheet.NamedStyles<Record<string, object>>;
type Make<T> = (palette: Palette, scale: number) => T;
const made = new Map<Make<Styles>, Map<Palette, Map<number, Styles>>>();

function within<K, V>(map: Map<K, V>, key: K, first: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const value = first();
  map.set(key, value);
  return value;
}

/** Styles made once for each palette and size of text. `make` must be a constant of its module. */
export function useStyles<T extends Styles>(make: Make<T>): T {
  const { palette, scale } = use(ThemeContext);
  const byPalette = within(made, make, () => new Map<Palette, Map<number, Styles>>());
  const byScale = within(byPalette, palette, () => new Map<number, Styles>());
  return within(byScale, scale, () => StyleSheet.create(make(palette, scale))) as T;
}

/** A screen wide enough for a sheet beside the rest; a phone lying on its side is one. */
export function useWide(): boolean {
  const { width, height } = useWindowDimensions();
  return width >= WIDE || isShort(width, height);
}

const isShort = (width: number, height: number): boolean => height < SHORT.height && width >= SHORT.width;

/** A phone lying on its side: wide, and with little height to spare. */
export function useShort(): boolean {
  const { width, height } = useWindowDimensions();
  return isShort(width, height);
}
