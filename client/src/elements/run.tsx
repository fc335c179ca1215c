/** One run: what runs in it, what each size and material would give, its pitch, and what is wrong with it. */
import {
  isLaid,
  elementOf,
  leadElsewhere,
  besides,
  nameOf,
  put,
  removal,
  runWorking,
  sharingWords,
  lengthOfRun,
  showLength,
  showNominal,
  text,
  type Run,
  type RunQuantity,
  waysOn,
} from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Path } from 'react-native-svg';
import { usePreview, useJob } from '../planning/useJob';
import { useShort, useWide } from '../theme/theme';
import { THREE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { QuantityField } from '../input/Field';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { Notes } from '../parts/written/Notes';
import { OnThePlan } from '../parts/OnThePlan';
import { PipeWall } from '../parts/pipes/PipeWall';
import { InsertInRun } from '../parts/InsertInRun';
import { without } from '../input/without';
import { SnagsAt } from '../parts/SnagItem';
import { WorkingPanel } from '../parts/WorkingPanel';
import { RunFigures } from './runFigures';
import { MaterialChips, SizeChips } from './runChips';
import { RunPitch } from './runPitch';
import type { FormProps, ElementView } from './view';
import { footRow } from '../ui/rows';
import { boreEntry, lengthEntry } from '../input/entry';

/** Its own sheet: what can be chosen of it first, within reach, or at a desk what it carries; and its snags before what would mend them. */
function RunSheet({ element: { id }, onClose, onGo }: FormProps<Run>) {
  const { job, plan, edit } = usePreview();
  const wide = useWide();
  const strip = useShort() || !wide;
  const { width } = useWindowDimensions();
  const [asked, setAsked] = useState<RunQuantity | null>(null);
  const own = elementOf(job, 'run', id);
  // As long as the plan has it, where that is what says so.
  const run = own && { ...own, length: lengthOfRun(job, own) };
  const planned = plan.runs[id];
  const working = asked && runWorking(job, plan, id, asked);
  if (!run) return null;
  const over = planned
    ? `Line ${planned.line} · ${run.perforated ? 'perforated' : 'solid'} pipe`
    : isLaid(run)
      ? 'Solid pipe in no line'
      : 'Carries no water any more';
  const remove = (): void => {
    edit(removal(job, id));
    onClose();
  };
  const figures = working ? (
    <WorkingPanel working={working} onBack={() => setAsked(null)} />
  ) : (
    planned && <RunFigures run={planned} onAsk={setAsked} />
  );
  const choices = (
    <>
      <SizeChips run={run} pitch={planned?.pitch ?? 0} strip={strip} />
      <MaterialChips run={run} pitch={planned?.pitch ?? 0} strip={strip} />
      {planned && <RunPitch run={run} planned={planned} />}
    </>
  );
  return (
    <Sheet title={nameOf(job, id)} over={over} onClose={onClose}>
      {width >= THREE ? (
        <>
          {figures}
          <SnagsAt id={id} />
          {choices}
        </>
      ) : (
        // The run stands in sight above or beside it: the choices come first, within reach.
        <>
          {choices}
          <SnagsAt id={id} />
          {figures}
        </>
      )}
      <OnThePlan element={run} onGo={onGo} />
      <RunFields run={run} />
      <InsertInRun run={run} onGo={onGo} />
      <Notes of={run.id} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Take this run out" icon={Trash} kind="bare" onPress={remove} />
      </View>
    </Sheet>
  );
}

/** How long it is, what is over it, how many lie side by side, and where it leads. */
function RunFields({ run }: { run: Run }) {
  const { job, edit, units } = useJob();
  return (
    <>
      <View style={footRow}>
        <QuantityField
          name="length"
          label={run.assumed ? 'Length, assumed: measure it' : 'Length along the trench'}
          value={run.length}
          {...lengthEntry(units)}
          testID="run-length"
          {...(run.lengthFrom === 'plan' ? { hint: 'By the plan; typed, it stays as typed' } : {})}
          onCommit={(length) =>
            edit(put('Set length', measured({ ...without(run, 'lengthFrom', undefined), length: length! })))
          }
        />
        <Choice
          label="Over it"
          value={run.under ?? 'turf'}
          options={[
            { value: 'turf', label: 'Turf' },
            { value: 'slab', label: 'Slab', note: 'walk or patio' },
            { value: 'cars', label: 'Cars', note: 'drive' },
            { value: 'bed', label: 'Bed', note: 'nothing to restore' },
            { value: 'deck', label: 'Deck', note: 'dug by hand' },
          ]}
          onChoose={(under) => edit(put('Say what is over it', { ...run, under }))}
        />
      </View>
      <View style={footRow}>
        <Choice
          label="Side by side"
          value={String(run.parallel ?? 1)}
          options={['1', '2', '3'].map((value) => ({ value, label: value === '1' ? 'One pipe' : `${value} pipes` }))}
          onChoose={(count) =>
            edit(put('Set how many side by side', without(run, 'parallel', count === '1' ? undefined : Number(count))))
          }
        />
        <QuantityField
          label="Narrowest way through its adapter"
          usual="none"
          value={run.throat}
          {...boreEntry(units)}
          optional
          onCommit={(throat) => edit(put('Set the adapter’s throat', without(run, 'throat', throat)))}
        />
      </View>
      <TrenchOf run={run} />
      <PipeWall run={run} />
      <Choice
        label="Leads to"
        value={run.to}
        options={[job.elements.get(run.to)!, ...waysOn(job, run.from).filter(({ id: other }) => other !== run.to)].map(
          ({ id: value }) => ({ value, label: nameOf(job, value) }),
        )}
        onChoose={(to) => {
          if (to !== run.to) edit(leadElsewhere(job, run, to));
        }}
      />
    </>
  );
}

/** How its trench is made: of its own or another's, opened or driven through. */
function TrenchOf({ run }: { run: Run }) {
  const { job, plan, edit } = useJob();
  const others = besides(job, run);
  return (
    <>
      {(run.under === 'slab' || run.under === 'cars') && (
        <Choice
          label="Under it"
          value={run.bored ? 'bored' : 'opened'}
          options={[
            { value: 'opened', label: 'Sawn and made good' },
            { value: 'bored', label: 'Driven through', note: 'nothing is opened' },
          ]}
          onChoose={(how) =>
            edit(put('Say how it goes under', without(run, 'bored', how === 'bored' ? true : undefined)))
          }
        />
      )}
      {(others.length > 0 || run.apart === true) && (
        <Choice
          label="In one trench with"
          value={run.beside ?? (run.apart ? 'own' : 'drawn')}
          options={[
            { value: 'drawn', label: 'As it is drawn', note: 'with what lies beside it' },
            { value: 'own', label: 'None, its own' },
            ...others.map(({ id }) => ({ value: id, label: nameOf(job, id) })),
          ]}
          onChoose={(chosen) => {
            const alone = without(without(run, 'beside', undefined), 'apart', chosen === 'own' ? true : undefined);
            edit(
              put(
                'Say whose trench it lies in',
                chosen === 'own' || chosen === 'drawn' ? alone : { ...alone, beside: chosen },
              ),
            );
          }}
        />
      )}
      {sharingWords(job, plan, run.id).map((each) => (
        <Text key={each} kind="small">
          {each}
        </Text>
      ))}
    </>
  );
}

/** A run once somebody has measured it. */
const measured = (run: Run): Run => without(run, 'assumed', undefined);

export const runView: ElementView<Run> = {
  Form: RunSheet,
  ownSheet: true,
  onPlan: ({ nominal }, { path, spots, scale, ink, ground, water, chosen }) => {
    const width = Math.max(4, nominal * scale);
    const [a, b] = [spots[0]!, spots[1]!];
    const along = Math.atan2(b.y - a.y, b.x - a.x);
    const tip = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    const wing = (by: number): string => `${tip.x - 9 * Math.cos(along + by)} ${tip.y - 9 * Math.sin(along + by)}`;
    return (
      <>
        <Path d={path} fill="none" stroke={ink} strokeWidth={width + (chosen ? 5 : 2.5)} strokeLinejoin="round" />
        <Path d={path} fill="none" stroke={chosen ? water : ground} strokeWidth={width - 1} strokeLinejoin="round" />
        <Path d={`M${wing(0.5)}L${tip.x} ${tip.y}L${wing(-0.5)}`} fill="none" stroke={ink} strokeWidth={2.5} />
      </>
    );
  },
  list: {
    group: 'lines',
    about: (run, { plan, units }) => ({
      about: `${text(showNominal(run.nominal, units))}${run.assumed ? ', length assumed' : ''}`,
      figure: showLength(plan.runs[run.id]?.length ?? run.length, units),
    }),
  },
};
