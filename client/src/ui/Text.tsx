import { Text as NativeText, type TextProps } from 'react-native';
import { usePalette, useStyles } from '../theme/theme';
import { FONTS, type Palette } from '../theme/tokens';

type Kind = 'body' | 'strong' | 'small' | 'title' | 'heading' | 'figure' | 'hero' | 'unit';

const make = (palette: Palette) => ({
  body: { fontFamily: FONTS.text, fontSize: 16, lineHeight: 22, color: palette.ink },
  strong: { fontFamily: FONTS.bold, fontSize: 16, lineHeight: 22, color: palette.ink },
  small: { fontFamily: FONTS.text, fontSize: 14, lineHeight: 19, color: palette.soft },
  title: { fontFamily: FONTS.bold, fontSize: 24, lineHeight: 30, color: palette.ink },
  heading: { fontFamily: FONTS.bold, fontSize: 18, lineHeight: 24, color: palette.ink },
  figure: { fontFamily: FONTS.figures, fontSize: 18, lineHeight: 22, color: palette.ink },
  hero: { fontFamily: FONTS.figures, fontSize: 32, lineHeight: 38, color: palette.ink },
  unit: { fontFamily: FONTS.text, fontSize: 13, lineHeight: 18, color: palette.soft },
});

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
