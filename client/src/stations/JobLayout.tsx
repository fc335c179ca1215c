import { Slot, useLocalSearchParams, usePathname, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { api } from '../sync/api';
import { saveFile } from '../files/files';
import { startListening } from '../sync/lazyPart';
import { JobProvider, useOpenJob } from '../planning/useJob';
import { warmUp } from '../planning/warmUp';
import { OutOfReach } from './OutOfReach';
import { BuildScreen } from './build/BuildScreen';
import { KeepScreen } from './keep/KeepScreen';
import { PlanScreen } from './plan/PlanScreen';
import { Shell } from './Shell';
import { StormScreen } from './storm/StormScreen';
import { stationIn } from './useGo';
import { WalkScreen } from './yard/list/WalkScreen';
import { YardScreen } from './yard/YardScreen';
import { usePalette } from '../theme/theme';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';

/** One element for ever: the shell is not drawn again for what its own parts do not ask for. */
const SHELL = (
  <Shell>
    <Station />
    <Slot />
  </Shell>
);

/** The station that the address names. Not the router's own page: that is made anew for each step of history, this one stays as it is. */
function Station() {
  const path = usePathname();
  switch (stationIn(path)) {
    case 'walk':
      return <WalkScreen />;
    case 'yard':
      return <YardScreen />;
    case 'storm':
      return <StormScreen />;
    case 'build':
      return <BuildScreen />;
    case 'keep':
      return <KeepScreen />;
    case 'plan':
      return <PlanScreen />;
  }
}

const saveRaw = async (id: string): Promise<void> => saveFile(`${id}.rows.json`, await api.raw(id));

/** A job and all its stations, once it has been read. */
export function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const opening = useOpenJob(id);
  useEffect(startListening, []);
  const planned = opening.state === 'open' ? opening.planned : null;
  useEffect(() => (planned ? warmUp(planned.made()!.job) : undefined), [planned]);
  const router = useRouter();
  const { ground } = usePalette();
  if (opening.state === 'open') {
    // Another job is another screen: what stands still out of sight of one is nothing of the other.
    return (
      <JobProvider key={id} planned={opening.planned}>
        {SHELL}
      </JobProvider>
    );
  }
  const home = <Button label="All jobs" onPress={() => router.navigate('/')} />;
  return (
    <View style={{ flex: 1, backgroundColor: ground }} role="main">
      {opening.state === 'loading' && <Notice title="Reading the job" />}
      {opening.state === 'missing' && (
        <Notice title="This job is not here" action={home}>
          It was taken out, or it is on another machine.
        </Notice>
      )}
      {opening.state === 'unreadable' && (
        <Notice
          title="This job cannot be opened here"
          action={
            <>
              <Button label="Save it as it lies" kind="main" onPress={() => void saveRaw(id)} />
              {home}
            </>
          }
        >
          {opening.sentence}
        </Notice>
      )}
      {opening.state === 'unreachable' && (
        <OutOfReach
          error={opening.error}
          onRetry={opening.retry}
          more={home}
          rest="This job has not been opened on this device before, so there is no copy of it here. Nothing is lost."
        />
      )}
    </View>
  );
}
