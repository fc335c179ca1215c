/** Putting something in: what sort of thing, then its own form; nothing is in the job before it is said so. */
import { CREATIONS, freeName, freshId, kindOf, put, type Element, type Job } from '@katabasis/core';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Check from 'lucide-react-native/icons/check';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { useJob, WithDraft } from '../../../planning/useJob';
import { viewOf } from '../../../elements';
import { Fields } from '../../../input/Fields';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { WordRow } from '../../../ui/WordRow';
import { DownspoutTable } from './DownspoutTable';
import { begunIn, keepBegun } from './drafts';

const make = (palette: Palette) => ({
  last: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    gap: SPACE.s,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    paddingTop: SPACE.m,
  },
});

const OFFERED = CREATIONS.filter(({ says }) => says !== undefined);

interface Props {
  onClose: () => void;
  onGo: (id: string) => void;
}

/** The level that most of the ground lies about: the middle one of all that is known. A well or a way out at the foot says nothing of where the next thing stands. */
function usualLevel(job: Job): number {
  const levels = job.elements.all
    .flatMap((element) => ('groundLevel' in element && element.kind !== 'discharge' ? [element.groundLevel] : []))
    .sort((a, b) => a - b);
  return levels[Math.floor((levels.length - 1) / 2)] ?? 0;
}

export function AddSheet({ onClose, onGo }: Props) {
  const { job } = useJob();
  const [begun, setBegun] = useState(() => begunIn(job.id));
  const [stem, setStem] = useState<string | null>(null);
  const [isTable, setTable] = useState(false);
  const keep = useCallback(
    (sort: string, element: Element | null): void => {
      keepBegun(job.id, sort, element);
      setBegun(begunIn(job.id));
    },
    [job.id],
  );
  const start = (creation: (typeof OFFERED)[number]): void => {
    if (!begun.has(creation.stem)) {
      keep(
        creation.stem,
        creation.build({
          id: freshId(kindOf(creation.kind).idStem),
          name: freeName(job, creation.stem),
          groundLevel: usualLevel(job),
        }),
      );
    }
    setStem(creation.stem);
  };
  if (isTable) return <DownspoutTable onBack={() => setTable(false)} onClose={onClose} />;
  const draft = stem === null ? undefined : begun.get(stem);
  if (stem !== null && draft)
    return (
      <Begun
        draft={draft}
        onChange={(next) => keep(stem, next)}
        onBack={() => setStem(null)}
        onForget={() => {
          keep(stem, null);
          setStem(null);
        }}
        onIn={() => {
          keep(stem, null);
          onGo(draft.id);
        }}
        onClose={onClose}
      />
    );
  return (
    <Sheet title="Put something in" onClose={onClose}>
      <View>
        {OFFERED.map((kind) => (
          <WordRow
            key={kind.stem}
            word={kind.stem}
            about={begun.has(kind.stem) ? 'Begun, and not put in yet: go on with it' : kind.says}
            label={`${kind.stem}: ${kind.says}`}
            onPress={() => start(kind)}
          />
        ))}
        <WordRow
          word="Several downspouts"
          about="Typed one below another, or pasted from a spreadsheet"
          label="Several downspouts: typed one below another, or pasted from a spreadsheet"
          onPress={() => setTable(true)}
        />
      </View>
    </Sheet>
  );
}

interface BegunProps {
  draft: Element;
  onChange: (draft: Element) => void;
  onBack: () => void;
  onForget: () => void;
  onIn: () => void;
  onClose: () => void;
}

function Begun({ draft, onChange, onBack, onForget, onIn, onClose }: BegunProps) {
  const { job, edit } = useJob();
  const styles = useStyles(make);
  const [wrong, setWrong] = useState<string | null>(null);
  const { Form } = viewOf(draft);
  const { label } = kindOf(draft.kind);
  const putIn = (): void => {
    const refused = edit(put(`Put in ${label.toLowerCase()}`, draft));
    if (refused !== null) setWrong(refused);
    else onIn();
  };
  return (
    <Sheet title={`New ${label.toLowerCase()}`} over="Not in the job yet" onClose={onClose}>
      <Fields of={`${job.id} ${draft.id}`}>
        <WithDraft draft={draft} take={onChange}>
          <Form element={draft} onGo={() => undefined} onClose={onClose} />
        </WithDraft>
      </Fields>
      <View style={styles.last}>
        <Button label="Put it in" icon={Check} kind="main" onPress={putIn} testID="put-in" />
        <Button label="Something else" icon={ArrowLeft} kind="bare" onPress={onBack} />
        <Button label="Forget this one" kind="bare" onPress={onForget} />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </Sheet>
  );
}
