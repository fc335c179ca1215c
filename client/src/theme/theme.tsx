import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { NARROW, PALETTES, WIDE, type Palette, type ThemeName } from './tokens';

interface Theme {
  name: ThemeName;
  palette: Palette;
  choose(name: ThemeName): void;
}

const KEY = 'katabasis.theme';
const ThemeContext = createContext<Theme>({ name: 'daylight', palette: PALETTES.daylight, choose: () => undefined });

function remembered(): ThemeName {
  const kept = globalThis.localStorage?.getItem(KEY);
  return kept === 'glare' || kept === 'dusk' ? kept : 'daylight';
}

export function ThemeProvider({ children }: { children: ReactNode }) {
  const [name, setName] = useState<ThemeName>(remembered);
  const choose = useCallback((next: ThemeName) => {
    globalThis.localStorage?.setItem(KEY, next);
    setName(next);
  }, []);
  const value = useMemo(() => ({ name, palette: PALETTES[name], choose }), [name, choose]);
  return <ThemeContext value={value}>{children}</ThemeContext>;
}

export const useTheme = (): Theme => use(ThemeContext);
export const usePalette = (): Palette => use(ThemeContext).palette;

type Styles = StyleSheet.NamedStyles<Record<string, object>>;
const made = new Map<(palette: Palette) => Styles, Map<Palette, Styles>>();

/** Styles made once for each palette. `make` must be a constant of its module. */
export function useStyles<T extends Styles>(make: (palette: Palette) => T): T {
  const palette = usePalette();
  let byPalette = made.get(make);
  if (!byPalette) made.set(make, (byPalette = new Map()));
  let styles = byPalette.get(palette);
  if (!styles) byPalette.set(palette, (styles = StyleSheet.create(make(palette))));
  return styles as T;
}

export const useWide = (): boolean => useWindowDimensions().width >= WIDE;
/** A phone held upright. */
export const useNarrow = (): boolean => useWindowDimensions().width < NARROW;
