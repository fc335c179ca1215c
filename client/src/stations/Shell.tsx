/** Around every station: the job's head with its verdict, the way between stations, undo, and what is kept where. */
import { headOf } from '@katabasis/core';
import { usePathname, useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Footprints from 'lucide-react-native/icons/footprints';
import Redo from 'lucide-react-native/icons/redo-2';
import Settings from 'lucide-react-native/icons/settings-2';
import Undo from 'lucide-react-native/icons/undo-2';
import Waypoints from 'lucide-react-native/icons/waypoints';
import type { LucideIcon } from 'lucide-react-native';
import { useCallback, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useJob } from '../data/useJob';
import { usePalette, useStyles, useWide } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Mark, MARK_WORDS } from '../ui/Mark';
import { Text } from '../ui/Text';
import { Find } from './Find';
import { KeeperStrip } from './KeeperStrip';
import { KeysHelp } from './KeysHelp';
import { useKeys } from './useKeys';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  wide: { flex: 1, flexDirection: 'row' as const },
  head: { borderBottomWidth: 1, borderBottomColor: palette.line, paddingHorizontal: SPACE.s, paddingTop: SPACE.xs, paddingBottom: SPACE.s },
  top: { flexDirection: 'row' as const, alignItems: 'center' as const },
  name: { flex: 1, minHeight: 44, justifyContent: 'center' as const },
  verdict: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 10, minHeight: 44, paddingHorizontal: SPACE.s },
  bar: { flexDirection: 'row' as const, borderTopWidth: 1.5, borderTopColor: palette.ink },
  rail: { width: 92, borderRightWidth: 1, borderRightColor: palette.line, paddingTop: SPACE.s },
  station: { flex: 1, minHeight: 56, alignItems: 'center' as const, justifyContent: 'center' as const, gap: 2, borderTopWidth: 4, borderTopColor: 'transparent' },
  railStation: { flex: 0, minHeight: 68, borderTopWidth: 0, borderLeftWidth: 4, borderLeftColor: 'transparent' },
  here: { borderTopColor: palette.ink, borderLeftColor: palette.ink },
});

interface Station {
  path: 'walk' | 'plan';
  label: string;
  icon: LucideIcon;
}

const STATIONS: readonly Station[] = [
  { path: 'walk', label: 'Walk', icon: Footprints },
  { path: 'plan', label: 'Plan', icon: Waypoints },
];

/** Which element's sheet is open, in the address, so that a link or a reload comes back to it. */
export function useGo(): (station: Station['path'], at: string | null) => void {
  const router = useRouter();
  const { job } = useJob();
  return useCallback((station, at) => router.replace(`/job/${job.id}/${station}${at ? `?at=${at}` : ''}`), [router, job.id]);
}

export function Shell({ children }: { children: ReactNode }) {
  const styles = useStyles(make);
  const wide = useWide();
  const { session } = useJob();
  const go = useGo();
  const here = usePathname().endsWith('/walk') ? 'walk' : 'plan';
  const [over, setOver] = useState<'find' | 'keys' | null>(null);
  const close = useCallback(() => setOver(null), []);
  useKeys({
    '1': () => go('walk', null), '2': () => go('plan', null), n: () => go('walk', 'new'), '/': () => setOver('find'), '?': () => setOver('keys'),
    z: () => session.undo(), Z: () => session.redo(), y: () => session.redo(),
  });
  const bar = <Stations here={here} go={go} wide={wide} />;
  return (
    <View style={styles.page}>
      <View style={wide ? styles.wide : { flex: 1 }}>
        {wide && bar}
        <View style={{ flex: 1 }}>
          <Head here={here} go={go} />
          <KeeperStrip />
          <View style={{ flex: 1 }} role="main">{children}</View>
        </View>
        {!wide && bar}
      </View>
      {over === 'find' && <Find onClose={close} onGo={(at) => { close(); go(here, at); }} />}
      {over === 'keys' && <KeysHelp onClose={close} />}
    </View>
  );
}

interface HereProps {
  here: Station['path'];
  go: ReturnType<typeof useGo>;
}

function Head({ here, go }: HereProps) {
  const { job, plan, session } = useJob();
  const styles = useStyles(make);
  const router = useRouter();
  const { verdict } = plan;
  const more = [
    verdict.stops > 0 && `${verdict.stops} Stop`, verdict.fixes > 0 && `${verdict.fixes} Fix`, verdict.minds > 0 && `${verdict.minds} Mind`,
  ].filter((part) => part !== false);
  return (
    <View style={styles.head} role="banner">
      <View style={styles.top}>
        <Button label="All jobs" icon={ArrowLeft} iconOnly kind="bare" onPress={() => router.navigate('/')} />
        <Pressable role="button" aria-label={`${headOf(job).name}: name, units and rules of this job`} onPress={() => go(here, 'job')} style={styles.name}>
          <Text kind="heading" numberOfLines={1}>{headOf(job).name}</Text>
        </Pressable>
        <Button label={session.undoLabel ? `Undo: ${session.undoLabel}` : 'Undo'} icon={Undo} iconOnly kind="bare" disabled={session.undoLabel === null} onPress={() => session.undo()} testID="undo" />
        <Button label={session.redoLabel ? `Redo: ${session.redoLabel}` : 'Redo'} icon={Redo} iconOnly kind="bare" disabled={session.redoLabel === null} onPress={() => session.redo()} testID="redo" />
        <Button label="Job settings" icon={Settings} iconOnly kind="bare" onPress={() => go(here, 'job')} />
      </View>
      <Pressable role="button" aria-label={`Verdict: ${MARK_WORDS[verdict.state]}. ${verdict.sentence}`} disabled={verdict.at === null} onPress={() => go(verdict.at === 'rain' ? 'walk' : 'plan', verdict.at)} style={styles.verdict} testID="verdict">
        <Mark kind={verdict.state} size={28} />
        <View style={{ flex: 1 }} aria-live="polite">
          <Text kind="heading" role="none">{verdict.sentence}</Text>
          {more.length > 0 && <Text kind="small">{more.join(' · ')}</Text>}
        </View>
      </Pressable>
    </View>
  );
}

function Stations({ here, go, wide }: HereProps & { wide: boolean }) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  return (
    <View role="navigation" aria-label="Stations" style={wide ? styles.rail : styles.bar}>
      {STATIONS.map(({ path, label, icon: Icon }) => (
        <Pressable key={path} role="link" aria-current={here === path ? 'page' : undefined} aria-label={label} onPress={() => go(path, null)} style={[styles.station, wide && styles.railStation, here === path && styles.here, wide && here === path && { borderTopColor: 'transparent' }]}>
          <Icon size={24} color={ink} strokeWidth={here === path ? 2.6 : 1.8} />
          <Text kind={here === path ? 'strong' : 'body'}>{label}</Text>
        </Pressable>
      ))}
    </View>
  );
}
