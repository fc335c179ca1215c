/** A way out. */
import {
  OUTFALL_FORMS,
  OUTFALLS,
  letsOutAs,
  nameOf,
  otherwise,
  put,
  RECEIVING,
  RECEIVING_FACTS,
  showLevel,
  type Discharge,
} from '@katabasis/core';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Circle, Path } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import type { GlyphPens } from '../drawing/LandingGlyph';
import { QuantityField } from '../input/Field';
import { distanceEntry, levelEntry } from '../input/entry';
import { without } from '../input/without';
import { BankFields } from '../parts/forms/BankFields';
import { MainFields } from '../parts/forms/MainFields';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { EndOfLine } from '../parts/forms/EndOfLine';
import { PopupDrain } from '../parts/forms/PopupDrain';
import { PumpFields } from '../parts/forms/PumpFields';
import { StoreFields } from '../parts/forms/StoreFields';
import { WorkFacts } from '../parts/WorkFacts';
import { Choice } from '../ui/Choice';
import type { ElementView } from './view';
import { fieldRow } from '../ui/rows';

function Form({ element: discharge }: { element: Discharge }) {
  const { job, edit, units } = useJob();
  const outfall = OUTFALLS[discharge.form];
  return (
    <>
      <NameAndLevel
        landing={discharge}
        levelLabel={outfall.inChannel && discharge.into !== undefined ? null : outfall.groundLabel}
      />
      <Choice
        label="How it lets the water out"
        value={discharge.form}
        options={OUTFALL_FORMS.map((form) => ({ value: form, label: OUTFALLS[form].label, note: OUTFALLS[form].note }))}
        onChoose={(form) => edit(put('Say how it lets out', letsOutAs(job, discharge, form)))}
      />
      {outfall.asksInto && (
        <Choice
          label="Into"
          value={discharge.receiving}
          options={RECEIVING.map((value) => ({ value, label: RECEIVING_FACTS[value].label }))}
          onChoose={(receiving) => edit(put('Say what takes the water', otherwise(discharge, { receiving })))}
        />
      )}
      {outfall.hasCapacity && <MainFields discharge={discharge} />}
      {!outfall.drainsDry && <PopupDrain discharge={discharge} />}
      {outfall.store && <StoreFields discharge={discharge} />}
      {outfall.pumps && <PumpFields discharge={discharge} />}
      <EndOfLine discharge={discharge} />
      <View style={fieldRow}>
        {outfall.opensOut && !outfall.inChannel && <BankFields discharge={discharge} />}
        {outfall.controlHint !== null && (
          <QuantityField
            label="Water stands there at"
            usual={outfall.hasCapacity ? 'by its size' : 'falls free'}
            value={discharge.standingLevel}
            {...levelEntry(units)}
            optional
            hint="In the design rain"
            onCommit={(level) => edit(put('Set standing water', without(discharge, 'standingLevel', level)))}
          />
        )}
        {outfall.controlHint !== null && (
          <QuantityField
            label={outfall.hasCapacity ? 'Invert of the main' : 'Lowest the invert may be'}
            usual={outfall.hasCapacity ? 'not measured' : 'the ground'}
            value={discharge.controlLevel}
            {...levelEntry(units)}
            optional
            hint={outfall.controlHint}
            onCommit={(level) => edit(put('Set control level', without(discharge, 'controlLevel', level)))}
          />
        )}
        {!outfall.inChannel && (
          <QuantityField
            label="To the nearest building"
            usual="not measured"
            value={discharge.buildingDistance}
            {...distanceEntry(units)}
            optional
            onCommit={(distance) =>
              edit(put('Set distance from building', without(discharge, 'buildingDistance', distance)))
            }
          />
        )}
      </View>
    </>
  );
}

/** Marks by how the water leaves. */
const MARKS: Record<Discharge['form'], (pens: GlyphPens) => ReactNode> = {
  daylight: ({ outline, water }) => (
    <>
      <Path d="M-12 8A12 12 0 0 1 12 8Z" {...outline} />
      <Path d="M0 4V-3" stroke={water} strokeWidth={3} />
    </>
  ),
  main: ({ outline, water }) => (
    <>
      <Circle r={11} {...outline} />
      <Circle r={5.5} fill={water} />
    </>
  ),
  channel: ({ outline, water, stroke }) => (
    <>
      <Path d="M-12 -7V7H12V-7" {...outline} />
      <Path d="M-8 -7H-4M-2 -7H2M4 -7H8" stroke={stroke} strokeWidth={2} />
      <Path d="M-6 2H7" stroke={water} strokeWidth={3} />
    </>
  ),
  popup: ({ outline, stroke }) => (
    <>
      <Path d="M-9 9V-3H9V9Z" {...outline} />
      <Path d="M-12 -6L10 -11" stroke={stroke} strokeWidth={3} />
    </>
  ),
  pond: ({ outline, water }) => (
    <>
      <Path d="M-12 -4Q0 14 12 -4Z" {...outline} />
      <Path d="M-9 -2H9" stroke={water} strokeWidth={3} />
    </>
  ),
  dryWell: ({ outline, water }) => (
    <>
      <Path d="M-9 -10H9V10H-9Z" {...outline} />
      <Path d="M-9 4H9" stroke={water} strokeWidth={3} />
    </>
  ),
  leachingPit: ({ outline, stroke }) => (
    <>
      <Path d="M-10 -8H10L7 10H-7Z" {...outline} />
      <Path d="M-4 13V10M0 14V10M4 13V10" stroke={stroke} strokeWidth={2} />
    </>
  ),
  rainGarden: ({ outline, water, stroke }) => (
    <>
      <Path d="M-12 -2Q0 14 12 -2Z" {...outline} />
      <Path d="M-4 -2V-10M2 -2V-12M7 -2V-8" stroke={stroke} strokeWidth={2} />
      <Path d="M-6 4H6" stroke={water} strokeWidth={3} />
    </>
  ),
  pump: ({ outline, water }) => (
    <>
      <Path d="M-9 -10H9V10H-9Z" {...outline} />
      <Path d="M0 6V-6M-4 -2L0 -7L4 -2" stroke={water} strokeWidth={3} fill="none" />
    </>
  ),
  kerb: ({ outline, water }) => (
    <>
      <Path d="M-12 -9H2V2H12V9H-12Z" {...outline} />
      <Path d="M-3 -3H9" stroke={water} strokeWidth={3} />
    </>
  ),
};

export const dischargeView: ElementView<Discharge> = {
  Form,
  Panel: ({ element }) => <WorkFacts element={element} />,
  list: {
    group: 'inlets',
    about: ({ form, into, groundLevel }, { job, units }) =>
      OUTFALLS[form].inChannel && into !== undefined
        ? { about: `runs on through ${nameOf(job, into)}` }
        : { about: 'comes out at', figure: showLevel(groundLevel, units) },
  },
  glyph: ({ form }, pens) => MARKS[form](pens),
};
