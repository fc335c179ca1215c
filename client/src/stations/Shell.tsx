/** Around every station: the job's head with its verdict, the way between stations, undo, and what is kept where. */
import { headOf } from '@katabasis/core';
import { usePathname, useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ClipboardCheck from 'lucide-react-native/icons/clipboard-check';
import CloudRain from 'lucide-react-native/icons/cloud-rain';
import Map from 'lucide-react-native/icons/map';
import Redo from 'lucide-react-native/icons/redo-2';
import Settings from 'lucide-react-native/icons/settings-2';
import Shovel from 'lucide-react-native/icons/shovel';
import Undo from 'lucide-react-native/icons/undo-2';
import Waypoints from 'lucide-react-native/icons/waypoints';
import type { LucideIcon } from 'lucide-react-native';
import { memo, useCallback, type ReactNode } from 'react';
import { View } from 'react-native';
import { useJobPart, usePlanned, useSession, type OpenJob } from '../planning/useJob';
import { usePalette, useShort, useStyles, useWide } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';
import { Find } from './Find';
import { KeeperStrip } from './KeeperStrip';
import { LookRound } from './LookRound';
import { KeysHelp } from './KeysHelp';
import { OthersHere } from './OthersHere';
import { useOpened } from './useAt';
import { isPage, stationIn, useGo, type StationPath } from './useGo';
import { useKeys } from './useKeys';
import { ShownVerdict } from './VerdictBar';
import { yardViewOf } from './yard/yardView';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  wide: { flex: 1, flexDirection: 'row' as const },
  head: {
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
    paddingHorizontal: SPACE.s,
    paddingTop: SPACE.xs,
    paddingBottom: SPACE.s,
  },
  shortHead: { paddingBottom: SPACE.xs },
  top: { flexDirection: 'row' as const, alignItems: 'center' as const },
  name: { flex: 1, minHeight: 44, justifyContent: 'center' as const },
  shortName: { flex: 1, maxWidth: 180 },
  bar: { flexDirection: 'row' as const, borderTopWidth: 1.5, borderTopColor: palette.ink },
  rail: { minWidth: 92, borderRightWidth: 1, borderRightColor: palette.line, paddingTop: SPACE.s },
  station: {
    flex: 1,
    minHeight: 56,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    gap: 2,
    borderTopWidth: 4,
    borderTopColor: 'transparent',
  },
  railStation: { flex: 0, minHeight: 68, borderTopWidth: 0, borderLeftWidth: 4, borderLeftColor: 'transparent' },
  here: { borderTopColor: palette.ink, borderLeftColor: palette.ink },
});

interface Station {
  path: StationPath;
  label: string;
  icon: LucideIcon;
}

const STATIONS: readonly Station[] = [
  { path: 'yard', label: 'Yard', icon: Map },
  { path: 'plan', label: 'Plan', icon: Waypoints },
  { path: 'storm', label: 'Storm', icon: CloudRain },
  { path: 'build', label: 'Build', icon: Shovel },
  { path: 'keep', label: 'Keep', icon: ClipboardCheck },
];

/** Its size comes from around it: what changes in the head lays out nothing in the station, nor the other way. */
const APART = { flex: 1, contain: 'size layout' } as object;

export function Shell({ children }: { children: ReactNode }) {
  const styles = useStyles(make);
  const wide = useWide();
  // The session is the same for as long as the job is open: the shell is not drawn again for what is done in it.
  const { session } = usePlanned();
  const go = useGo();
  const here = stationIn(usePathname());
  const { at, over } = useOpened();
  const close = useCallback(() => go(here, null), [go, here]);
  const toStation = useCallback(
    (path: StationPath) => go(path === 'yard' ? yardViewOf(session.view.job!) : path, null),
    [go, session],
  );
  useKeys({
    '1': () => toStation('yard'),
    '2': () => go('plan', null),
    '3': () => go('storm', null),
    '4': () => go('build', null),
    '5': () => go('keep', null),
    n: () => go('walk', 'new'),
    '/': () => go(here, 'find'),
    '?': () => go(here, 'keys'),
    z: () => session.undo(),
    Z: () => session.redo(),
    y: () => session.redo(),
  });
  const bar = <Stations here={here === 'walk' ? 'yard' : here} onGo={toStation} wide={wide} />;
  return (
    <View style={styles.page}>
      <View style={wide ? styles.wide : { flex: 1 }} {...({ inert: over !== null } as object)}>
        {wide && bar}
        <View style={{ flex: 1 }}>
          <Head here={here} go={go} />
          <KeeperStrip />
          <OthersHere />
          <LookRound />
          <View style={APART} role="main">
            {children}
          </View>
        </View>
        {!wide && (at === null || isPage(here, at)) && bar}
      </View>
      {over === 'find' && <Find onClose={close} onGo={(id) => go(here, id)} />}
      {over === 'keys' && <KeysHelp onClose={close} />}
    </View>
  );
}

interface HereProps {
  here: Station['path'];
  go: ReturnType<typeof useGo>;
}

const namesJob = ({ job }: OpenJob): { name: string } => ({ name: headOf(job).name });

const Head = memo(function Head({ here, go }: HereProps) {
  const { name } = useJobPart(namesJob);
  const styles = useStyles(make);
  const router = useRouter();
  const short = useShort();
  const title = (
    <Press
      role="button"
      aria-label={`${name}: name, units and rules of this job`}
      onPress={() => go(here, 'job')}
      style={[styles.name, short && styles.shortName]}
    >
      <Text kind="strong" role="heading" aria-level={1}>
        {name}
      </Text>
    </Press>
  );
  return (
    <View style={[styles.head, short && styles.shortHead]} role="banner">
      <View style={styles.top}>
        <Button label="All jobs" icon={ArrowLeft} iconOnly kind="bare" onPress={() => router.navigate('/')} />
        {title}
        {short && (
          <View style={{ flex: 2 }}>
            <ShownVerdict go={go} />
          </View>
        )}
        <BackAndForth />
        <Button label="Job settings" icon={Settings} iconOnly kind="bare" onPress={() => go(here, 'job')} />
      </View>
      {!short && <ShownVerdict go={go} />}
    </View>
  );
});

/** Undo, and redo where there is something to redo: it comes up beside undo, which stays where it is under a thumb. */
function BackAndForth() {
  const { session, undoLabel, redoLabel } = useSession();
  return (
    <>
      {/* Hidden rather than gone: to make a button anew costs the tap that undoes a third of its time. */}
      <View style={{ display: redoLabel === null ? 'none' : 'flex' }}>
        <Button
          label={redoLabel ? `Redo: ${redoLabel}` : 'Redo'}
          icon={Redo}
          iconOnly
          kind="bare"
          disabled={redoLabel === null}
          onPress={() => session.redo()}
          testID="redo"
        />
      </View>
      <Button
        label={undoLabel ? `Undo: ${undoLabel}` : 'Undo'}
        icon={Undo}
        iconOnly
        kind="bare"
        disabled={undoLabel === null}
        onPress={() => session.undo()}
        testID="undo"
      />
    </>
  );
}

interface StationsProps {
  here: StationPath;
  onGo: (path: StationPath) => void;
  wide: boolean;
}

const Stations = memo(function Stations({ here, onGo, wide }: StationsProps) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  return (
    <View role="navigation" aria-label="Stations" style={wide ? styles.rail : styles.bar}>
      {STATIONS.map(({ path, label, icon: Icon }) => (
        <Press
          key={path}
          role="link"
          aria-current={here === path ? 'page' : undefined}
          aria-label={label}
          onPress={() => onGo(path)}
          style={[
            styles.station,
            wide && styles.railStation,
            here === path && styles.here,
            wide && here === path && { borderTopColor: 'transparent' },
          ]}
        >
          <Icon size={24} color={ink} strokeWidth={here === path ? 2.6 : 1.8} />
          <Text kind={here === path ? 'strong' : 'body'}>{label}</Text>
        </Press>
      ))}
    </View>
  );
});
