/** How the server stands: whether it can save, its copies, what it holds, what is slow, and what failed. */
import type { ServerState } from '@katabasis/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { SPACE } from '../../theme/tokens';
import { Mark, type MarkKind } from '../../ui/Mark';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SidePage, SideRow } from '../jobs/SidePage';
import { OutOfReach } from '../OutOfReach';

const AGAIN_MS = 10_000;
/** A backup is made each day: one older than this failed, ms. */
const OLD_MS = 26 * 3600 * 1000;
/** Less room than this is told, bytes. */
const LITTLE = 2e9;

/** Bytes as they are said: 13 MB. */
function bytes(count: number): string {
  if (count < 1e6) return `${Math.ceil(count / 1e3)} kB`;
  return count < 1e9 ? `${(count / 1e6).toFixed(1)} MB` : `${(count / 1e9).toFixed(1)} GB`;
}

const millis = (ms: number): string => (ms < 1000 ? `${Math.ceil(ms)} ms` : `${(ms / 1000).toFixed(1)} s`);

export function ServerScreen() {
  const state = useQuery({ queryKey: ['state'], queryFn: api.state, staleTime: 0, refetchInterval: AGAIN_MS });
  return (
    <SidePage title="The server" back={{ label: 'People', to: '/people' }}>
      {state.isPending && <Notice title="Reading" />}
      {state.isError && (
        <OutOfReach error={state.error} rest={state.error.message} onRetry={() => void state.refetch()} />
      )}
      {state.data && <Told state={state.data} at={state.dataUpdatedAt} />}
    </SidePage>
  );
}

function Told({ state, at }: { state: ServerState; at: number }) {
  const { backup, copy, replica, free, why, people, devices, listening } = state;
  const isOld = backup === null || at - Date.parse(backup.at) > OLD_MS;
  return (
    <>
      <Standing mark={why === null ? 'holds' : 'stop'} said={why ?? 'It saves what is sent.'} />
      <Standing
        mark={isOld ? 'fix' : 'holds'}
        said={
          backup === null
            ? 'There is no backup yet.'
            : `The last backup is of ${momentOf(backup.at)}, ${bytes(backup.bytes)}; ${backup.count === 1 ? 'one is' : `${backup.count} are`} kept.`
        }
      />
      {(copy !== null || replica === null) && (
        <Standing
          mark={copy?.at ? 'holds' : 'mind'}
          said={
            copy === null
              ? 'No second copy on another disk is kept: set KATABASIS_COPY.'
              : copy.at === null
                ? 'The second copy was not written yet.'
                : `The second copy was written ${momentOf(copy.at)}.`
          }
        />
      )}
      {replica && <Standing {...ofReplica(replica)} />}
      {free !== null && (
        <Standing mark={free < LITTLE ? 'fix' : 'holds'} said={`The disk has room for ${bytes(free)} more.`} />
      )}
      <Text>
        {bytes(state.database)} of jobs, {bytes(state.files.bytes)} of photos and files.{' '}
        {count(people, 'person', 'people')}, {count(devices, 'device', 'devices')},{' '}
        {count(listening, 'page that listens', 'pages that listen')} now.
      </Text>
      <Part title="What failed" none="Nothing since it was started.">
        {state.problems.map(({ number, at, route, status }) => (
          <SideRow key={number} name={`${number} · ${status}`} about={`${momentOf(at)} · ${route}`} />
        ))}
      </Part>
      <Part title="Slowest" none="Nothing was asked yet.">
        {state.slowest.map(({ route, count: times, mean, longest }) => (
          <SideRow
            key={route}
            name={`${millis(longest)} at most, ${millis(mean)} in the mean`}
            about={`${route} · ${times === 1 ? 'once' : `${times} times`}`}
          />
        ))}
      </Part>
      <Text kind="small">
        Version {state.version}, database step {state.schema}, running since {momentOf(state.startedAt)}.
      </Text>
    </>
  );
}

/** Behind by more than this it does not follow, ms. */
const BEHIND_MS = 10_000;

function ofReplica({ running, behind, photos, drill, sealed }: NonNullable<ServerState['replica']>): {
  mark: MarkKind;
  said: string;
} {
  const drilled =
    drill === null
      ? 'It was not put together yet to see whether it can be.'
      : drill.why === null
        ? `It was put together last ${momentOf(drill.at)}, and is whole.`
        : `It could not be put together ${momentOf(drill.at)}: ${drill.why}`;
  const lacking = photos > 0 ? ` ${count(photos, 'photo is', 'photos are')} on the way.` : '';
  if (!running) return { mark: 'stop', said: `The replica does not run; it is begun again.${lacking} ${drilled}` };
  const read = sealed ? 'It is sealed: nobody reads it without its key.' : 'Whoever has it can read it.';
  const far = (behind ?? 0) > BEHIND_MS;
  const follows =
    behind === null ? 'The replica runs.' : far ? `The replica is ${millis(behind)} behind.` : 'The replica follows.';
  return {
    mark: far || (drill?.why ?? null) !== null ? 'fix' : 'holds',
    said: `${follows}${lacking} ${drilled} ${read}`,
  };
}

const count = (number: number, one: string, many: string): string =>
  number === 1 ? `One ${one}` : `${number} ${many}`;

function Standing({ mark, said }: { mark: MarkKind; said: string }) {
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }}>
      <Mark kind={mark} />
      <View style={{ flex: 1 }}>
        <Text>{said}</Text>
      </View>
    </View>
  );
}

function Part({ title, none, children }: { title: string; none: string; children: readonly ReactNode[] }) {
  return (
    <View>
      <Text kind="heading">{title}</Text>
      {children.length === 0 ? <Text>{none}</Text> : <View role="list">{children}</View>}
    </View>
  );
}
