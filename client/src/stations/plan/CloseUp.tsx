/** What a sheet changes, and what it leads between: all that a phone has room for above it, or on its side beside it. */
import { useCallback, useMemo } from 'react';
import { ScrollView } from 'react-native';
import { useJobPart, type OpenJob } from '../../planning/useJob';
import { Descent } from '../../drawing/Descent';
import { drawGlyph } from '../../elements';
import { SPACE } from '../../theme/tokens';

function closeUpOf({ plan }: OpenJob, at: string | null): { from: string | null; to: string | null } {
  if (at === null) return { from: null, to: null };
  const run = plan.runs[at] ?? Object.values(plan.runs).find(({ from }) => from === at);
  if (run && plan.landings[run.from] && plan.landings[run.to]) return { from: run.from, to: run.to };
  return { from: plan.landings[at] ? at : null, to: null };
}

/** The landings of what is chosen; null where it has none. */
export function useCloseUp(at: string | null): readonly string[] | null {
  const { from, to } = useJobPart(useCallback((made: OpenJob) => closeUpOf(made, at), [at]));
  return useMemo(() => (from === null ? null : to === null ? [from] : [from, to]), [from, to]);
}

interface CloseUpProps {
  at: string | null;
  only: readonly string[];
  choose: (id: string | null) => void;
}

export function CloseUp({ at, only, choose }: CloseUpProps) {
  return (
    <ScrollView
      style={{ flex: 1 }}
      contentContainerStyle={{ padding: SPACE.l, paddingBottom: SPACE.s }}
      tabIndex={0}
      role="region"
      aria-label="What it changes"
    >
      <Descent chosen={at} onChoose={choose} draw={drawGlyph} only={only} />
    </ScrollView>
  );
}
