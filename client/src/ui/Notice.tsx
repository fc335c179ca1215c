import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../theme/tokens';
import { Text } from './Text';

/** A state that fills its place: nothing here yet, loading, or failed; says what to do next. */
export function Notice({ title, children, action }: { title: string; children?: ReactNode; action?: ReactNode }) {
  return (
    <View style={{ padding: SPACE.xl, gap: SPACE.m, maxWidth: 520 }}>
      <Text kind="heading">{title}</Text>
      {children !== undefined && <Text>{children}</Text>}
      {action !== undefined && <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>{action}</View>}
    </View>
  );
}
