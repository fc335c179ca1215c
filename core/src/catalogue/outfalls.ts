/** Ways out, one entry a form: at what level the water may leave, what the pipe's end is like, and what it is called. */

export const RECEIVING = ['swale', 'slope', 'ditch', 'street', 'lawn'] as const;
export type Receiving = (typeof RECEIVING)[number];

export const RECEIVING_FACTS: Record<Receiving, { label: string; called: string; soil: boolean }> = {
  swale: { label: 'Swale', called: 'the swale', soil: true },
  slope: { label: 'Slope', called: 'the slope', soil: true },
  ditch: { label: 'Ditch', called: 'the ditch', soil: true },
  street: { label: 'Street', called: 'the street', soil: false },
  lawn: { label: 'Lawn', called: 'the lawn', soil: true },
};

/** What holds water at a way out until it has soaked away: under its lid, or within the rim of a garden. */
export interface Store {
  /** m² and m, of what water fills; the length round it, a square's when absent. */
  area: number;
  perimeter?: number | undefined;
  depth: number;
  /** From the ground or lid down to its top, m. */
  cover: number;
  /** Share of it that water fills. */
  voids: number;
}

/** Levels of one way out, m above the job's zero: its ground or lid, the lowest its invert may be, and water that stands there. */
interface OutfallLevels {
  groundLevel: number;
  controlLevel?: number | undefined;
  standingLevel?: number | undefined;
  store?: Store | undefined;
  pump?: { start: number } | undefined;
}

export interface Outfall {
  /** Its chip, and what is said under it. */
  label: string;
  note: string;
  /** On the page of a new job, which offers the usual ones only. */
  quickLabel?: string;
  /** What its ground level is the level of. */
  groundLabel: string;
  /** What the level that a line must end at or above is; a hint under its field, and null where nobody is asked for it. */
  controlCalled: string;
  controlHint: string | null;
  /** What takes the water where the form says it already. */
  into?: Receiving;
  /** Whether a sentence names the way out itself, rather than what takes the water; or what it is called in one. */
  calledByName: boolean;
  called?: string;
  /** Whether it is asked what the water runs into. */
  asksInto: boolean;
  /** Whether the pipe comes out of the ground there, and needs no cover at its end. */
  opensOut: boolean;
  /** Whether the line drains dry after the rain. One that does not stands full up to its control level. */
  drainsDry: boolean;
  /** Whether a fast pipe scours what it lets out onto, where that is soil. */
  scours: boolean;
  /** Whether frost shuts it: a lid that is frozen down, ice over a walk. */
  freezes: boolean;
  /** Whether it is a pipe with a capacity of its own. */
  hasCapacity: boolean;
  /** What it holds where nobody has measured it; only of a form that keeps its water and lets it soak away. */
  store?: Store;
  /** Whether a pump lifts its water out. */
  pumps?: true;
  /** Whether it is the end of a channel drain, through which the water runs on. */
  inChannel?: true;
  /** Level that a line must end at or above, m: its invert's, or where the line stands full the water's. `popupLift`, m. */
  control(levels: OutfallLevels, settings: { popupLift: number }): number;
  /** Level at which water stands at the end whatever the pipe brings, m; −∞ where none does. */
  standing(levels: OutfallLevels, settings: { popupLift: number }): number;
}

export const OUTFALL_FORMS = [
  'daylight',
  'popup',
  'main',
  'channel',
  'kerb',
  'pond',
  'dryWell',
  'leachingPit',
  'rainGarden',
  'pump',
] as const;
export type OutfallForm = (typeof OUTFALL_FORMS)[number];

/** A pipe's open end: at its control level or the ground, with the receiving water against it. */
const openEnd = {
  calledByName: false,
  asksInto: true,
  drainsDry: true,
  scours: false,
  freezes: false,
  hasCapacity: false,
  control: ({ controlLevel, groundLevel }: OutfallLevels) => controlLevel ?? groundLevel,
  standing: ({ standingLevel }: OutfallLevels) => standingLevel ?? Number.NEGATIVE_INFINITY,
};

/** Top of what holds water, m. */
export const storeTop = (groundLevel: number, { cover }: Store): number => groundLevel - cover;

/** A store: a pipe may come in down to its floor, which it drains to. */
const keepsWater = (store: Store) => ({
  ...openEnd,
  calledByName: true,
  asksInto: false,
  opensOut: false,
  store,
  control: ({ controlLevel, groundLevel, store: own = store }: OutfallLevels) =>
    controlLevel ?? storeTop(groundLevel, own) - own.depth,
});

const overLid = ({ groundLevel }: OutfallLevels, { popupLift }: { popupLift: number }): number =>
  groundLevel + popupLift;

export const OUTFALLS: Record<OutfallForm, Outfall> = {
  daylight: {
    ...openEnd,
    label: 'To daylight',
    note: 'drains dry',
    quickLabel: 'Daylight',
    groundLabel: 'Ground where it comes out',
    controlCalled: 'the lowest the pipe may come out',
    controlHint: 'Bottom of the swale, or water that stands in it',
    opensOut: true,
    scours: true,
  },
  popup: {
    ...openEnd,
    label: 'Pop-up',
    note: 'stands full to its lid',
    quickLabel: 'Pop-up',
    groundLabel: 'Level of the lid',
    controlCalled: 'the raised lid',
    controlHint: null,
    calledByName: true,
    opensOut: false,
    drainsDry: false,
    freezes: true,
    control: overLid,
    standing: overLid,
  },
  main: {
    ...openEnd,
    label: 'Into an existing main',
    note: 'never a sanitary sewer',
    groundLabel: 'Ground over the main',
    controlCalled: 'the invert of the main',
    controlHint: 'Where the line joins it',
    called: 'the main',
    asksInto: false,
    opensOut: false,
    hasCapacity: true,
  },
  channel: {
    ...openEnd,
    label: 'Into a channel drain',
    note: 'runs on through it',
    groundLabel: 'Grate at the channel’s upper end',
    controlCalled: 'the bed of the channel',
    controlHint: null,
    into: 'street',
    called: 'the channel',
    asksInto: false,
    opensOut: true,
    inChannel: true,
  },
  kerb: {
    ...openEnd,
    label: 'Through the kerb',
    note: 'ask permission; freezes over a walk',
    groundLabel: 'Gutter at the kerb',
    controlCalled: 'the gutter of the street',
    controlHint: 'Bottom of the slot, where it lies above the gutter',
    into: 'street',
    asksInto: false,
    opensOut: true,
    freezes: true,
    // Nothing comes out of a kerb below its gutter; a bottom noted for the swale that was there before does not help.
    control: ({ controlLevel, groundLevel }) => Math.max(controlLevel ?? groundLevel, groundLevel),
  },
  pond: {
    ...openEnd,
    label: 'Pond or lake',
    note: 'ask for a permit',
    groundLabel: 'Its bank where the pipe comes out',
    controlCalled: 'the level of the pond',
    controlHint: 'Its usual level',
    called: 'the pond',
    asksInto: false,
    opensOut: true,
  },
  dryWell: {
    ...keepsWater({ area: 1.5, depth: 1.2, cover: 0.3, voids: 0.95 }),
    label: 'Dry well',
    note: 'a chamber that soaks away',
    groundLabel: 'Ground over it, where it overflows',
    controlCalled: 'the floor of the dry well',
    controlHint: 'Its floor, where nothing else is said',
  },
  leachingPit: {
    ...keepsWater({ area: 1.5, depth: 1.2, cover: 0.3, voids: 0.4 }),
    label: 'Leaching pit',
    note: 'stone in soil that takes water',
    groundLabel: 'Ground over it, where it overflows',
    controlCalled: 'the floor of the pit',
    controlHint: 'Its floor, where nothing else is said',
  },
  rainGarden: {
    ...keepsWater({ area: 15, depth: 0.15, cover: 0, voids: 1 }),
    label: 'Rain garden',
    note: 'a planted hollow',
    groundLabel: 'Its rim, where it overflows',
    controlCalled: 'the floor of the garden',
    controlHint: 'Its floor, where nothing else is said',
    opensOut: true,
  },
  pump: {
    ...openEnd,
    label: 'Pump basin',
    note: 'only where gravity reaches nowhere',
    groundLabel: 'Lid of the basin',
    controlCalled: 'the water that starts the pump',
    controlHint: null,
    calledByName: true,
    asksInto: false,
    opensOut: false,
    pumps: true,
    control: ({ pump, controlLevel, groundLevel }) => pump?.start ?? controlLevel ?? groundLevel - 0.6,
  },
};

/** The swale or channel drain that a way out lets out into, by id; undefined where its form comes out nowhere, whatever was said of it before. */
export const letsInto = ({ form, into }: { form: OutfallForm; into?: string | undefined }): string | undefined =>
  OUTFALLS[form].opensOut ? into : undefined;

/** Whether a fast pipe scours there: it comes out over soil, and no stone is laid. */
export const scoursAt = (out: { form: OutfallForm; receiving: Receiving; stone?: boolean | undefined }): boolean =>
  OUTFALLS[out.form].scours && RECEIVING_FACTS[receivingOf(out)].soil && !out.stone;

/** What takes the water of a way out. */
export const receivingOf = ({ form, receiving }: { form: OutfallForm; receiving: Receiving }): Receiving =>
  OUTFALLS[form].into ?? receiving;

/** Whether it is known how low a line may end: of a pipe that it joins somebody must have said so. */
export const isControlKnown = ({ form, controlLevel }: OutfallLevels & { form: OutfallForm }): boolean =>
  !OUTFALLS[form].hasCapacity || controlLevel !== undefined;

/** The level that a line must end at or above, m: its invert's, or where the line stands full the water's over the raised lid. */
export const controlLevel = (
  discharge: OutfallLevels & { form: OutfallForm },
  settings: { popupLift: number },
): number => OUTFALLS[discharge.form].control(discharge, settings);
