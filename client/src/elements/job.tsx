/** Name, units and rules of one job, and the look of the screen. */
import {
  DEFAULTS,
  headOf,
  JOB_STATES,
  METRES_PER_INCH,
  put,
  showPitchTrade,
  showSmall,
  SOIL_FACTS,
  SOILS,
  text,
  USUAL_SOIL,
  type JobElement,
  type Settings,
} from '@katabasis/core';
import { router } from 'expo-router';
import Download from 'lucide-react-native/icons/download';
import ScrollText from 'lucide-react-native/icons/scroll-text';
import { useState } from 'react';
import { View } from 'react-native';
import { saveJob } from '../files/jobFile';
import { useJob } from '../planning/useJob';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { coverEntry, distanceUpTo, pitchUpTo, rainEntry, smallEntry, type Entry } from '../input/entry';
import { NameField, QuantityField } from '../input/Field';
import { without } from '../input/without';
import { Beyond } from '../parts/written/Beyond';
import { Contacts } from '../parts/written/Contacts';
import { DayField } from '../parts/Day';
import { ManyPipes } from '../parts/pipes/ManyPipes';
import { Notes } from '../parts/written/Notes';
import { Text } from '../ui/Text';
import { STATE_WORDS } from './jobWords';
import type { ElementView } from './view';
import { footRow } from '../ui/rows';

/** An element without fields that hold nothing. */
const given = (head: object): JobElement =>
  Object.fromEntries(
    Object.entries(head).filter(([, value]) => value !== undefined && value !== ''),
  ) as unknown as JobElement;

/** Pitches that are rules of a job. */
const leastPitch = pitchUpTo(0.2, 'A pitch falls');

export function JobForm() {
  const { job, edit } = useJob();
  const [said, setSaid] = useState<string | null>(null);
  const head = headOf(job);
  // What is emptied is left out again.
  const save = (label: string, next: { [K in keyof JobElement]?: JobElement[K] | undefined }): string | null =>
    edit(put(label, given({ ...head, ...next })));
  return (
    <>
      <Names head={head} save={save} />
      <Choice
        label="How far it has come"
        value={head.state ?? null}
        options={JOB_STATES.map((value) => ({ value, label: STATE_WORDS[value] }))}
        onChoose={(state) => save('Say how far it has come', { state })}
      />
      <Choice
        label="Units"
        value={head.units}
        options={[
          { value: 'us', label: 'Feet and inches' },
          { value: 'metric', label: 'Metric' },
        ]}
        onChoose={(next) => save('Set units', { units: next })}
      />
      <Choice
        label="Soil, where nothing else is said"
        value={head.soil ?? USUAL_SOIL}
        options={SOILS.map((value) => ({ value, label: SOIL_FACTS[value].label }))}
        onChoose={(soil) => save('Say what soil it is', { soil })}
      />
      <Choice
        label="How lines take their pitch"
        value={head.pitchStyle}
        onChoose={(pitchStyle) => save('Set pitch style', { pitchStyle })}
        options={[
          { value: 'ground', label: 'Follow the ground', note: 'least digging' },
          { value: 'single', label: 'One pitch', note: 'one laser setting a line' },
        ]}
      />
      <Beyond />
      <Contacts />
      <Notes of={null} />
      <ManyPipes />
      <Rules />
      <Screen />
      {said !== null && <Text role="alert">{said}</Text>}
      <View style={footRow}>
        <Button
          label="Save as a job file"
          icon={Download}
          onPress={() => void saveJob(job).then(setSaid, (error: Error) => setSaid(error.message))}
        />
        <Button label="What was done" icon={ScrollText} onPress={() => router.navigate(`/history/${job.id}`)} />
      </View>
    </>
  );
}

interface NamesProps {
  head: JobElement;
  save: (label: string, next: { [K in keyof JobElement]?: JobElement[K] | undefined }) => string | null;
}

/** What it is called, for whom, where and when. */
function Names({ head, save }: NamesProps) {
  return (
    <>
      <NameField label="Name" value={head.name} onCommit={(name) => save('Name the job', { name })} testID="job-name" />
      <NameField
        label="Client"
        optional
        most={200}
        value={head.client ?? ''}
        onCommit={(client) => save('Name the client', { client })}
      />
      <NameField
        label="Number of its offer"
        optional
        most={60}
        value={head.offer ?? ''}
        onCommit={(offer) => save('Number the offer', { offer })}
      />
      <NameField
        label="Address"
        optional
        most={500}
        value={head.site ?? ''}
        onCommit={(site) => save('Write the address', { site })}
      />
      <DayField
        label="Day of the work"
        value={head.date}
        onCommit={(date) => save('Set the day', { date })}
        testID="job-date"
      />
    </>
  );
}

/** What this job is judged by. */
function Rules() {
  const { units } = useJob();
  return (
    <>
      <Text kind="heading">Rules of this job</Text>
      <View style={footRow}>
        <SettingField label="Cover to plan for" setting="cover" entry={coverEntry(units)} />
        <SettingField label="Least cover under turf" setting="leastCover" entry={coverEntry(units)} />
        <SettingField label="Least cover in a slab" setting="leastCoverInSlab" entry={coverEntry(units)} />
      </View>
      <View style={footRow}>
        <SettingField label="Least pitch" setting="leastPitch" entry={leastPitch} />
        <SettingField
          label={`Least pitch, smooth from ${text(showSmall(6 * METRES_PER_INCH, units))}`}
          setting="leastPitchLarge"
          entry={leastPitch}
        />
      </View>
      <View style={footRow}>
        <SettingField
          label="Let water out this far from a building"
          setting="buildingClearance"
          entry={distanceUpTo(units, 500, 'That distance is')}
        />
        <SettingField label="Rain that should keep it clean" setting="ordinaryRain" entry={rainEntry(units)} />
      </View>
      <View style={footRow}>
        <SettingField
          label="Water allowed over a grate"
          setting="ponding"
          entry={smallEntry(units, 0.001, 1, 'Water over a grate is')}
        />
        <SettingField
          label="Water to stay below a sill by"
          setting="openingMargin"
          entry={smallEntry(units, 0, 2, 'That margin is')}
        />
        <SettingField
          label="Water a gutter holds"
          setting="gutterDepth"
          entry={smallEntry(units, 0.001, 1, 'Water in a gutter is')}
        />
      </View>
      <SettingField
        label="Your level: pitch at which the bubble touches its line"
        setting="levelLinePitch"
        entry={{ ...leastPitch, show: (value) => text(showPitchTrade(value, units)) }}
      />
    </>
  );
}

/** How this device shows every job. */
function Screen() {
  const { choice, choose, textSize, chooseText } = useTheme();
  return (
    <>
      <Choice
        label="Screen"
        value={choice}
        options={[
          { value: 'device', label: 'As the device' },
          { value: 'daylight', label: 'Daylight' },
          { value: 'glare', label: 'Glare', note: 'for sun' },
          { value: 'dusk', label: 'Dusk', note: 'dark' },
        ]}
        onChoose={choose}
      />
      <Choice
        label="Text"
        value={textSize}
        options={[
          { value: 'device', label: 'As the device' },
          { value: 'large', label: 'Large' },
        ]}
        onChoose={chooseText}
      />
    </>
  );
}

/** One rule: the usual value until the job has its own; emptied, it is the usual one again. */
function SettingField({ label, setting, entry }: { label: string; setting: keyof Settings; entry: Entry }) {
  const { job, plan, edit } = useJob();
  const head = headOf(job);
  const own = head.settings?.[setting] !== undefined;
  return (
    <QuantityField
      name={setting}
      label={own ? label : `${label}, usual`}
      value={plan.settings[setting]}
      {...entry}
      optional
      usual={entry.show(DEFAULTS[setting])}
      onCommit={(value) =>
        edit(put(`Set: ${label.toLowerCase()}`, { ...head, settings: without(head.settings ?? {}, setting, value) }))
      }
    />
  );
}

export const jobView: ElementView<JobElement> = { Form: JobForm, title: 'This job', list: null };
