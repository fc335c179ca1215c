/** Lines of swales and culverts: the fall they spend, what runs down each, and their long section. */
import {
  nameOf,
  openWayLines,
  openWaySection,
  showFlow,
  showLength,
  showSmall,
  text,
  type Job,
  type OpenWayLine,
  type Plan,
} from '@katabasis/core';
import { memo, useDeferredValue, useMemo } from 'react';
import { View } from 'react-native';
import { deferred } from '../../pace/deferred';
import { useJob, usePreview } from '../../planning/useJob';
import { SectionPicture } from '../../drawing/SectionPicture';
import { SPACE } from '../../theme/tokens';
import { Text } from '../../ui/Text';
import { WordRow } from '../../ui/WordRow';

/** `column`: on a wide screen they stand in the descent's place where no pipe has one, else beside it. */
export const OpenWays = deferred(function OpenWays({
  column,
  onGo,
}: {
  column?: 'descent' | 'section';
  onGo: (id: string) => void;
}) {
  const { job, plan } = useDeferredValue(usePreview());
  const lines = useMemo(() => openWayLines(job, plan).filter(({ ways }) => ways.length > 0), [job, plan]);
  const place = Object.keys(plan.landings).length === 0 ? 'descent' : 'section';
  if (column !== undefined && column !== place) return null;
  return (
    <>
      {lines.map((line) => (
        <OneLine key={line.ways[0]!.id} job={job} plan={plan} line={line} onGo={onGo} />
      ))}
    </>
  );
});

interface Props {
  job: Job;
  plan: Plan;
  line: OpenWayLine;
  onGo: (id: string) => void;
}

const OneLine = memo(function OneLine({ job, plan, line, onGo }: Props) {
  const { units } = useJob();
  const { ways, to, length, fall, spare } = line;
  const shown = (m: number): string => text(showSmall(m, units));
  const section = useMemo(() => openWaySection(plan, line), [plan, line]);
  const where = to === null ? 'where it leaves the job' : nameOf(job, to);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">
        {to === null ? `${ways[0]!.name}, off the job` : `${ways[0]!.name} to ${nameOf(job, to)}`}
      </Text>
      <Text {...(fall <= 0 ? { tone: 'stop' as const } : spare < 0 ? { tone: 'fix' as const } : {})}>
        {fall <= 0
          ? `It does not fall over its ${text(showLength(length, units))}.`
          : `Falls ${shown(fall)} over ${text(showLength(length, units))}; ${spare < 0 ? `${shown(-spare)} short of the 1 % with which it runs dry` : `${shown(spare)} to spare over the 1 % with which it runs dry`}.`}
      </Text>
      {ways.map((way) => {
        const work = plan.works[way.id];
        if (work?.kind !== 'swale' && work?.kind !== 'culvert') return null;
        const edge = work.kind === 'swale' ? 'bank' : 'road';
        return (
          <WordRow
            key={way.id}
            word={way.name}
            about={`${text(showFlow(work.flow, units))} comes down it; water stands ${shown(Math.abs(work.freeboard))} ${work.freeboard < 0 ? 'over' : 'under'} its ${edge}`}
            onPress={() => onGo(way.id)}
          />
        );
      })}
      <SectionPicture section={section} control={null} from={ways[0]!.name} to={where} />
    </View>
  );
});
