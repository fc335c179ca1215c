import { Slot } from 'expo-router';
import { useFonts } from 'expo-font';
import { useEffect } from 'react';
import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2';
import figures from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-500-normal.woff2';
import { setLazyPart } from '../sync/lazyPart';
import { DataProvider } from '../sync/queries';
import { leaveBoxOnBack } from '../input/leaveOnBack';
import { loadLazyPart } from '../lazyPage';
import { NewerVersion } from '../stations/NewerVersion';
import { ThemeProvider } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { pressWhereTouched } from '../ui/pressTarget';

/** Instead of whatever could not be drawn. */
export { Failed as ErrorBoundary } from '../stations/Failed';

setLazyPart(loadLazyPart);

export default function Root() {
  // Text shows at once in the system's face, and changes when the fonts are in: a plan never waits for a typeface.
  useFonts({ [FONTS.text]: text, [FONTS.bold]: bold, [FONTS.figures]: figures });
  useEffect(pressWhereTouched, []);
  useEffect(leaveBoxOnBack, []);
  return (
    <ThemeProvider>
      <DataProvider>
        <NewerVersion />
        <Slot />
      </DataProvider>
    </ThemeProvider>
  );
}
