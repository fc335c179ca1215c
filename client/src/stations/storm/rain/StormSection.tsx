/** The long section of a line in the storm: its water stands as it does at the time that the picture shows. */
import { nameOf, routeOf, sectionOf, type Section, type SectionPoint } from '@katabasis/core';
import type { StormFrame, StormSeen } from '@katabasis/core/simulation';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { SectionPicture } from '../../../drawing/SectionPicture';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Choice } from '../../../ui/Choice';

interface Props {
  frame: StormFrame;
  seen: StormSeen;
  /** Where the line that is shown begins. */
  from: string;
  onFrom: (from: string) => void;
}

/** Landings that a line begins at: a pipe leaves them, and none comes to them. */
export function beginnings({ runs }: ReturnType<typeof useJob>['plan']): string[] {
  const ends = new Set(Object.values(runs).map(({ to }) => to));
  return [...new Set(Object.values(runs).map(({ from }) => from))].filter((id) => !ends.has(id));
}

/** A section with its water at other levels: `levelAt` gives the one at a landing, m. */
function withWater(section: Section, levelAt: (landing: number) => number): Section {
  const over = (point: SectionPoint, landing: number): SectionPoint => {
    const water = Math.max(point.invert, levelAt(landing));
    return { ...point, water, wet: Math.min(point.crown, water) };
  };
  return { ...section, pipes: section.pipes.map(([head, foot], k) => [over(head, k), over(foot, k + 1)]) };
}

export const StormSection = memo(function StormSection({ frame, seen, from, onFrom }: Props) {
  const { job, plan } = useJob();
  const section = useMemo(() => sectionOf(plan, routeOf(plan, from)), [plan, from]);
  const index = useMemo(() => new Map(seen.landings.map((id, k) => [id, k])), [seen]);
  const wet = withWater(section, (k) => frame.levels[index.get(section.landings[k]!.id) ?? -1] ?? -Infinity);
  const starts = beginnings(plan);
  return (
    <View style={{ gap: SPACE.s }} testID="storm-section">
      {starts.length > 1 && (
        <Choice
          label="Line from"
          value={from}
          strip
          options={starts.map((id) => ({ value: id, label: nameOf(job, id) }))}
          onChoose={onFrom}
        />
      )}
      <SectionPicture
        section={wet}
        control={null}
        from={nameOf(job, from)}
        to={nameOf(job, section.landings.at(-1)?.id ?? from)}
      />
    </View>
  );
});
