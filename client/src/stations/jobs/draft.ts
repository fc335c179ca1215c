/** What is typed on the new-job page, as text, kept from keystroke to keystroke so that a closed tab loses nothing; and read as a job. */
import {
  officeRain,
  METRES_PER_FOOT,
  QUICK_INLETS,
  type Element,
  type Parsed,
  type QuickInletKind,
  type QuickJob,
  type RainElement,
  type RainStation,
  type UnitSystem,
} from '@katabasis/core';
import { z } from 'zod';
import { note, noted } from '../../input/notes';
import { areaEntry, lengthEntry, levelEntry, rainEntry, type Entry } from '../../input/entry';

const rowSchema = z.object({
  kind: z.enum(QUICK_INLETS).default('downspout'),
  area: z.string(),
  ground: z.string(),
  toNext: z.string(),
});
const draftSchema = z.object({
  name: z.string(),
  units: z.enum(['us', 'metric']),
  station: z.string(),
  rain: z.string(),
  rows: z.array(rowSchema).min(1).max(200),
  form: z.enum(['daylight', 'popup', 'kerb', 'main']),
  receiving: z.enum(['swale', 'slope', 'ditch', 'street', 'lawn']),
  outLevel: z.string(),
  /** Of daylight: the ground at the upper edge of its bank, and how long that is. */
  bankTop: z.string().default(''),
  bankLength: z.string().default(''),
  /** What a main carries. */
  mainIs: z.enum(['storm', 'sanitary', 'unknown']).default('unknown'),
  /** What lies over the trench. */
  under: z.enum(['turf', 'slab', 'cars']).default('turf'),
});
export type DraftRow = z.infer<typeof rowSchema>;
export type Draft = z.infer<typeof draftSchema>;

const KEY = 'katabasis.new';
const TEN_YEARS = 10;
/** A bank of which only the top is known, m: 10 ft. */
const USUAL_BANK = 10 * METRES_PER_FOOT;

export const emptyRow = (kind: QuickInletKind = 'downspout'): DraftRow => ({ kind, area: '', ground: '', toNext: '' });
export const emptyDraft = (): Draft => ({
  name: '',
  units: 'us',
  station: 'harrowmere',
  rain: '',
  rows: [emptyRow(), emptyRow(), emptyRow()],
  form: 'daylight',
  receiving: 'swale',
  outLevel: '',
  bankTop: '',
  bankLength: '',
  mainIs: 'unknown',
  under: 'turf',
});

export const keptDraft = (): Draft => noted(KEY, draftSchema) ?? emptyDraft();

/** Keeps a draft; null forgets it. */
export const keepDraft = (draft: Draft | null): void => note(KEY, draft);

/** What each kind of inlet is called on the page, and what sheds to it. */
export const INLET_WORDS: Record<QuickInletKind, { label: string; sheds: string; level: string }> = {
  downspout: { label: 'Downspout', sheds: 'Roof', level: 'Ground' },
  basin: { label: 'Catch basin', sheds: 'Lawn that runs to it', level: 'Grate' },
  channel: { label: 'Channel drain', sheds: 'Paving that runs to it', level: 'Grate' },
};

/** The same draft in other units: what can be read is converted, what cannot stays as it was typed. */
export function inUnits(draft: Draft, units: UnitSystem): Draft {
  const convert = (typed: string, entry: (units: UnitSystem) => Entry): string => {
    const parsed = typed.trim() === '' ? null : entry(draft.units).parse(typed);
    return parsed?.ok ? entry(units).show(parsed.value) : typed;
  };
  return {
    ...draft,
    units,
    rain: convert(draft.rain, rainEntry),
    outLevel: convert(draft.outLevel, levelEntry),
    bankTop: convert(draft.bankTop, levelEntry),
    bankLength: convert(draft.bankLength, lengthEntry),
    rows: draft.rows.map((row) => ({
      ...row,
      area: convert(row.area, areaEntry),
      ground: convert(row.ground, levelEntry),
      toNext: convert(row.toNext, lengthEntry),
    })),
  };
}

/** What stands in the way of a plan: at which field, what it says there and at the foot of the page, and whether it is only not there yet. */
export interface Lack {
  path: string;
  there: string;
  sentence: string;
  missing: boolean;
}

const lacking = (path: string, sentence: string): Lack => ({ path, there: 'This is needed.', sentence, missing: true });
const wrong = (path: string, called: string, there: string): Lack => ({
  path,
  there,
  sentence: `${called}: ${there}`,
  missing: false,
});

export type DraftRead = { ok: true; job: QuickJob } | { ok: false; lacks: Lack[] };

function rainOf(draft: Draft, stations: readonly RainStation[], lacks: Lack[]): RainElement | null {
  if (draft.rain.trim() !== '') {
    const typed = rainEntry(draft.units).parse(draft.rain);
    if (typed.ok) return { id: 'rain', kind: 'rain', intensity: typed.value, source: { type: 'typed' } };
    lacks.push(wrong('rain', 'Own rain', typed.sentence));
    return null;
  }
  const station = stations.find((each) => each.id === draft.station);
  if (!station) {
    lacks.push(lacking('rain', 'Choose a rain, or type your own.'));
    return null;
  }
  return officeRain(station, TEN_YEARS);
}

/** Only the head of a draft's job, and its rain where one is chosen: for a yard that is measured first. */
export function headElements(draft: Draft, stations: readonly RainStation[], name: string): Element[] {
  const rain = rainOf(draft, stations, []);
  return [{ id: 'job', kind: 'job', name, units: draft.units, pitchStyle: 'ground' }, ...(rain ? [rain] : [])];
}

/** Whether nothing of a line has been typed. */
export const hasNoLine = ({ rows, outLevel }: Draft): boolean =>
  outLevel.trim() === '' && rows.every(({ area, ground, toNext }) => `${area}${ground}${toNext}`.trim() === '');

type WayOutDraft = QuickJob['wayOut'];

/** The bank at daylight as it was typed; none where nothing was. */
function bankOf({ form, units, bankTop, bankLength }: Draft, foot: number, lacks: Lack[]): WayOutDraft['bank'] {
  if (form !== 'daylight' || `${bankTop}${bankLength}`.trim() === '') return undefined;
  const read = (path: 'bankTop' | 'bankLength', called: string, typed: string, entry: Entry): number | undefined => {
    if (typed.trim() === '') return undefined;
    const parsed = entry.parse(typed);
    if (parsed.ok) return parsed.value;
    lacks.push(wrong(path, called, parsed.sentence));
    return undefined;
  };
  const topLevel = read('bankTop', 'Top of the bank', bankTop, levelEntry(units));
  if (topLevel !== undefined && topLevel < foot)
    lacks.push(wrong('bankTop', 'Top of the bank', 'It lies higher than the way out.'));
  const length = read('bankLength', 'Length of the bank', bankLength, lengthEntry(units)) ?? USUAL_BANK;
  return { length, ...(topLevel === undefined ? {} : { topLevel }) };
}

/** `level`: of the ground at its end or of a pop-up's lid, or of a main's floor, over which the ground is as at the last inlet. */
const wayOutOf = (
  { form, receiving, mainIs }: Draft,
  level: number,
  bank: WayOutDraft['bank'],
  lastGround: number,
): WayOutDraft =>
  form === 'main'
    ? { form, receiving, groundLevel: lastGround, controlLevel: level, mainIs }
    : {
        form,
        receiving: form === 'kerb' ? 'street' : receiving,
        groundLevel: level,
        ...(bank === undefined ? {} : { bank }),
      };

/** A draft as a job, or all that it lacks, the first first. */
export function readDraft(draft: Draft, stations: readonly RainStation[]): DraftRead {
  const lacks: Lack[] = [];
  const rain = rainOf(draft, stations, lacks);
  const take = (path: string, called: string, parsed: Parsed, typed: string, missing: string): number => {
    if (parsed.ok) return parsed.value;
    lacks.push(typed.trim() === '' ? lacking(path, missing) : wrong(path, called, parsed.sentence));
    return Number.NaN;
  };
  const counts: Record<QuickInletKind, number> = { downspout: 0, basin: 0, channel: 0 };
  const inlets = draft.rows.map((row, index) => {
    const { label, sheds, level } = INLET_WORDS[row.kind];
    const called = `${label} ${++counts[row.kind]}`;
    const missing = `${called} still needs its ${sheds.split(' ')[0]!.toLowerCase()} and distance.`;
    const at = (field: string): string => `rows.${index}.${field}`;
    const ground = row.ground.trim() === '' ? '0' : row.ground;
    return {
      kind: row.kind,
      area: take(
        at('area'),
        `${called}, ${sheds.toLowerCase()}`,
        areaEntry(draft.units).parse(row.area),
        row.area,
        missing,
      ),
      groundLevel: take(
        at('ground'),
        `${called}, ${level.toLowerCase()}`,
        levelEntry(draft.units).parse(ground),
        ground,
        missing,
      ),
      toNext: take(
        at('toNext'),
        `${called}, distance`,
        lengthEntry(draft.units).parse(row.toNext),
        row.toNext,
        missing,
      ),
    };
  });
  const out = levelEntry(draft.units).parse(draft.outLevel);
  const level = take('outLevel', 'Level of the way out', out, draft.outLevel, 'Say how low the way out lies.');
  const bank = bankOf(draft, level, lacks);
  if (lacks.length > 0) return { ok: false, lacks };
  return {
    ok: true,
    job: {
      name: draft.name.trim() || 'New job',
      units: draft.units,
      rain,
      inlets,
      wayOut: wayOutOf(draft, level, bank, inlets.at(-1)!.groundLevel),
      under: draft.under,
    },
  };
}

/** The page's form as a schema: every fault at its field. */
export const draftForm = (stations: readonly RainStation[]) =>
  draftSchema.superRefine((draft, context) => {
    const read = readDraft(draft as Draft, stations);
    if (read.ok) return;
    for (const { path, there } of read.lacks)
      context.addIssue({
        code: 'custom',
        path: path.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part)),
        message: there,
      });
  });
