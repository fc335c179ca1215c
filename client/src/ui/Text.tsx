import { Text as NativeText, type TextProps } from 'react-native';
import { usePalette, useStyles } from '../theme/theme';
import { FLAT, FONTS, type Palette } from '../theme/tokens';

type Kind = 'body' | 'strong' | 'small' | 'title' | 'heading' | 'figure' | 'hero' | 'unit';

const make = (palette: Palette, scale: number) => {
  const { ink, soft } = palette;
  const kind = (fontFamily: string, size: number, line: number, color: string) => ({
    fontFamily,
    fontSize: size * scale,
    lineHeight: line * scale,
    color,
    ...FLAT,
    // A name of one long word breaks rather than stand out of its place.
    ...({ overflowWrap: 'anywhere' } as object),
  });
  return {
    body: kind(FONTS.text, 16, 22, ink),
    strong: kind(FONTS.bold, 16, 22, ink),
    small: kind(FONTS.text, 14, 19, soft),
    title: kind(FONTS.bold, 24, 30, ink),
    heading: kind(FONTS.bold, 18, 24, ink),
    figure: kind(FONTS.figures, 20, 24, ink),
    hero: kind(FONTS.figures, 32, 38, ink),
    unit: kind(FONTS.text, 14, 19, soft),
  };
};

interface Props extends TextProps {
  kind?: Kind;
  tone?: 'stop' | 'fix' | 'soft' | 'water' | 'ink';
}

const HEADING_LEVEL: Partial<Record<Kind, number>> = { title: 1, heading: 2 };

/** All text of the application. */
export function Text({ kind = 'body', tone, style, ...rest }: Props) {
  const styles = useStyles(make);
  const palette = usePalette();
  const level = rest.role === undefined ? HEADING_LEVEL[kind] : undefined;
  return (
    <NativeText
      {...(level ? { role: 'heading', 'aria-level': level } : {})}
      {...rest}
      style={[styles[kind], tone && { color: palette[tone] }, style]}
    />
  );
}
