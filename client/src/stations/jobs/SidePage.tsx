/** A page beside the jobs: its title, the way back, and what it holds. */
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { pageColumn } from '../../ui/rows';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  body: pageColumn,
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s },
});

interface Props {
  title: string;
  children: ReactNode;
  /** Where the arrow leads; all jobs when left out. */
  back?: { label: string; to: string };
}

const ALL_JOBS = { label: 'All jobs', to: '/' };

/** The head of a page beside the jobs: the way back, and its title. */
export function PageHead({ title, back = ALL_JOBS }: Omit<Props, 'children'>) {
  const styles = useStyles(make);
  const router = useRouter();
  return (
    <View style={styles.head}>
      <Button label={back.label} icon={ArrowLeft} iconOnly kind="bare" onPress={() => router.navigate(back.to)} />
      <Text kind="title" style={{ flex: 1 }}>
        {title}
      </Text>
    </View>
  );
}

export function SidePage({ title, children, back = ALL_JOBS }: Props) {
  const styles = useStyles(make);
  return (
    <View style={styles.page} role="main">
      <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
        <PageHead title={title} back={back} />
        {children}
      </ScrollView>
    </View>
  );
}

const makeRow = (palette: Palette) => ({
  row: {
    borderTopWidth: 1,
    borderTopColor: palette.line,
    paddingVertical: SPACE.m,
    gap: SPACE.m,
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    alignItems: 'center' as const,
  },
  words: { flex: 1, minWidth: 200 },
});

/** A line of such a page: what it is, small words about it, and what can be done with it. */
export function SideRow({ name, about, children }: { name: string; about: string; children?: ReactNode }) {
  const styles = useStyles(makeRow);
  return (
    <View style={styles.row} role="listitem">
      <View style={styles.words}>
        <Text kind="strong">{name}</Text>
        <Text kind="small">{about}</Text>
      </View>
      {children}
    </View>
  );
}
