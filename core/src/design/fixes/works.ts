/** Snags of the other works: deeper, wider, closer, stronger, by steps that a crew would take. */
import { NOMINAL_SIZES, MATERIALS } from '../../catalogue/pipes';
import { put } from '../../job/change';
import { headOf, type Job } from '../../job/job';
import { kindOf, type Element, type ElementKind, type OfKind } from '../../job/kinds';
import type { Snag } from '../../snags/snag';
import { DAY } from '../../snags/works/work';
import { showLength, showNominal, showSmall, text } from '../../units';
import { METRES_PER_INCH } from '../../units/constants';
import { DRAIN_USUAL } from '../../works/drain';
import { usualPump } from '../../works/pumpBasin';
import { storeOf } from '../../works/store';
import { fixOfChange, type FixRule } from './fix';
import { stronger, type Step, type Say } from './pumps';
import { LININGS } from '../../catalogue/swales';

function sayIn(job: Job): Say {
  const { units } = headOf(job);
  return {
    small: (metres) => text(showSmall(metres, units)),
    long: (metres) => text(showLength(metres, units)),
    nominal: (metres) => text(showNominal(metres, units)),
  };
}

/** A mending of a snag that stands at an element of some kinds: each step a change of some of its fields. */
function stepwise<K extends ElementKind>(
  code: string,
  kinds: readonly K[],
  steps: (element: OfKind<K>, say: Say, snag: Snag) => Step<OfKind<K>>[],
): FixRule {
  return {
    code,
    candidates: (snag, job) => {
      const element = job.elements.get(snag.at);
      if (!element || !(kinds as readonly string[]).includes(element.kind)) return [];
      return steps(element as OfKind<K>, sayIn(job), snag).map(({ label, next }) =>
        fixOfChange(put(label, cleaned({ ...element, ...next } as Element))),
      );
    },
  };
}

/** Without the fields that a step takes away. */
function cleaned(element: Element): Element {
  const kept = Object.fromEntries(Object.entries(element).filter(([, value]) => value !== undefined));
  return kindOf(element.kind).schema.safeParse(kept).success ? (kept as unknown as Element) : element;
}

const inches = (count: number): number => count * METRES_PER_INCH;

const DEEPER = [2, 4, 6, 8, 12, 16, 24].map(inches);

const drains = ['drain', 'drainField'] as const;

const deeper = (code: string): FixRule =>
  stepwise(code, drains, ({ depth }, say) =>
    DEEPER.map((more) => ({ label: `Lay it ${say.small(more)} deeper`, next: { depth: depth + more } })),
  );

const swaleSteps = (code: string): FixRule =>
  stepwise(code, ['swale'], ({ depth, bottomWidth = 0, section }, say) => [
    ...DEEPER.slice(0, 4).map((more) => ({ label: `Dig it ${say.small(more)} deeper`, next: { depth: depth + more } })),
    ...(section === 'trapezoid'
      ? [0.3, 0.6, 1, 2, 3].map((more) => ({
          label: `Make its floor ${say.long(bottomWidth + more)} wide`,
          next: { bottomWidth: bottomWidth + more },
        }))
      : []),
    ...[0.3, 0.6, 1].map((more) => ({
      label: `Give it a floor ${say.long(more)} wide, ${say.small(inches(6))} deeper`,
      next: { section: 'trapezoid' as const, bottomWidth: more, depth: depth + inches(6) },
    })),
  ]);

const culvertSizes = (code: string): FixRule =>
  stepwise(code, ['culvert'], ({ nominal, pipes = 1 }, say) => [
    ...NOMINAL_SIZES.filter((size) => size > nominal + 1e-6).map((size) => ({
      label: `Lay a ${say.nominal(size)} pipe`,
      next: { nominal: size },
    })),
    ...[pipes + 1, pipes + 2].map((count) => ({ label: `Lay ${count} side by side`, next: { pipes: count } })),
  ]);

const higherBerm = (code: string): FixRule =>
  stepwise(code, ['berm'], ({ height }, say) =>
    DEEPER.map((more) => ({ label: `Raise it ${say.small(more)}`, next: { height: height + more } })),
  );

const widerStone = (code: string): FixRule =>
  stepwise(code, ['stoneDrain'], (drain, say) => [
    ...[2, 3].flatMap((pipes) =>
      pipes > (drain.pipes ?? 1) ? [{ label: `Lay ${pipes} pipes in its stone`, next: { pipes } }] : [],
    ),
    ...(drain.stone === 'round' ? [] : [{ label: 'Fill it with open round stone', next: { stone: 'round' as const } }]),
    ...[6, 12, 24].map((more) => ({
      label: `Make it ${say.small(drain.width + inches(more))} wide`,
      next: { width: drain.width + inches(more) },
    })),
    ...[2, 4].map((more) => ({
      label: `Keep its stone ${say.small(inches(more))} lower`,
      next: { groundLevel: drain.groundLevel - inches(more) },
    })),
  ]);

const largerStore = (code: string): FixRule =>
  stepwise(code, ['discharge'], (discharge) => {
    const store = storeOf(discharge);
    if (!store) return [];
    return [1.5, 2, 3, 4, 6, 8].map((times) => ({
      label: `Make it ${times} times as large`,
      next: { store: { ...store, area: store.area * times, perimeter: undefined } },
    }));
  });

export const works: readonly FixRule[] = [
  deeper('drainShallow'),
  stepwise('drainUphill', drains, () => [{ label: 'Let it fall ½ %', next: { pitch: DRAIN_USUAL.pitch } }]),
  stepwise('drainWide', drains, (_, say, { limit }) => [
    { label: `Lay its pipes ${say.long(limit)} apart`, next: { spacing: limit } },
  ]),
  stepwise('drainFull', drains, ({ nominal }, say) =>
    NOMINAL_SIZES.filter((size) => size > nominal + 1e-6).map((size) => ({
      label: `Lay ${say.nominal(size)} pipe`,
      next: { nominal: size },
    })),
  ),
  {
    code: 'drainSlow',
    candidates: ({ at, figure }, job, { works: plans }) => {
      const [drain, plan] = [job.elements.get(at), plans[at]];
      if (!drain || !(plan?.kind === 'drain' || plan?.kind === 'drainField')) return [];
      // The time goes near enough with the spacing squared.
      return [1, 0.9, 0.8, 0.7].map((share) => {
        const spacing = share * plan.spacing * Math.sqrt((3 * DAY) / figure);
        return fixOfChange(put(`Lay its pipes ${sayIn(job).long(spacing)} apart`, { ...drain, spacing } as Element));
      });
    },
  },
  stepwise('beddingPoor', ['drain', 'drainField', 'stoneDrain'], ({ stone, fabric }) => [
    {
      label: 'Clear stone in a non-woven wrap',
      next: {
        stone: stone === 'pea' ? ('angular' as const) : stone,
        fabric: fabric === 'woven' ? ('wrapped' as const) : fabric,
      },
    },
  ]),
  stepwise('fabricMissing', ['drain', 'drainField', 'stoneDrain'], () => [
    { label: 'Wrap it in non-woven fabric', next: { fabric: 'wrapped' as const } },
  ]),
  stepwise('rainInPerforated', ['run'], () => [{ label: 'Lay it solid', next: { perforated: undefined } }]),
  stepwise('roofInPerforated', ['run'], () => [{ label: 'Lay it solid', next: { perforated: undefined } }]),
  stepwise('swaleUphill', ['swale'], (swale, _, { figure }) => {
    const length = swale.length ?? 0;
    const foot = swale.footLevel;
    return foot === undefined || length <= 0
      ? []
      : [0.01, 0.02].map((fall) => ({
          label: `Cut its foot for ${fall * 100} % of fall`,
          next: { footLevel: foot - (fall - figure) * length },
        }));
  }),
  swaleSteps('swaleOver'),
  swaleSteps('swaleLow'),
  stepwise('swaleScours', ['swale'], ({ bottomWidth = 0 }, say) => [
    ...LININGS.map((lining) => ({ label: `Line it with ${lining}`, next: { lining } })),
    ...[1, 2, 3].map((more) => ({
      label: `Line it with stone, its floor ${say.long(bottomWidth + more)} wide`,
      next: { lining: 'stone' as const, section: 'trapezoid' as const, bottomWidth: bottomWidth + more },
    })),
  ]),
  culvertSizes('culvertOverRoad'),
  stepwise('culvertUphill', ['culvert'], ({ invertUp, invertDown, length = 6 }) => [
    { label: 'Turn it round', next: { invertUp: invertDown, invertDown: invertUp } },
    { label: 'Let it fall 1 %', next: { invertDown: invertUp - 0.01 * length } },
  ]),
  stepwise('culvertCover', ['culvert'], ({ nominal, pipes = 1, material }, say) => [
    ...MATERIALS.filter((each) => each !== material && each === 'doubleWall').map((each) => ({
      label: 'Lay double-wall pipe',
      next: { material: each },
    })),
    ...NOMINAL_SIZES.filter((size) => size < nominal - 1e-6)
      .reverse()
      .flatMap((size) =>
        [pipes, pipes + 1, pipes + 2].map((count) => ({
          label: `Lay ${count === 1 ? 'a' : count} ${say.nominal(size)} ${count === 1 ? 'pipe' : 'pipes'}`,
          next: { nominal: size, pipes: count },
        })),
      ),
  ]),
  stepwise('culvertScours', ['culvert'], () => [{ label: 'Lay stone at its outlet', next: { stone: true } }]),
  higherBerm('bermOver'),
  higherBerm('bermLow'),
  stepwise('pumpTooWeak', ['discharge'], stronger),
  stepwise('pumpBehind', ['discharge'], stronger),
  stepwise('pumpStarts', ['discharge'], (discharge) => {
    const pump = discharge.pump ?? usualPump(discharge.groundLevel);
    return [1.5, 2, 3, 4, 6, 8].map((times) => ({
      label: `A basin ${times} times as wide`,
      next: { pump: { ...pump, area: pump.area * times } },
    }));
  }),
  stepwise('pumpBare', ['discharge'], (discharge) => [
    {
      label: 'Give it a valve, an alarm and an overflow',
      next: {
        pump: {
          ...(discharge.pump ?? usualPump(discharge.groundLevel)),
          checkValve: true,
          alarm: true,
          freezeOverflow: true,
        },
      },
    },
  ]),
  largerStore('storeOver'),
  stepwise('storeSlow', ['discharge'], (discharge) => {
    const store = storeOf(discharge);
    if (!store) return [];
    return [2, 3, 4, 6, 8].map((times) => ({
      label: `Make it ${times} times as wide and as much shallower`,
      next: { store: { ...store, area: store.area * times, perimeter: undefined, depth: store.depth / times } },
    }));
  }),
  stepwise('bedTowardHouse', ['pavedBed'], ({ fall = 0 }) => [
    { label: 'Let its floor fall away', next: { fall: Math.abs(fall) } },
  ]),
  stepwise('bedOver', ['pavedBed'], ({ depth }, say) =>
    DEEPER.map((more) => ({ label: `${say.small(more)} more stone`, next: { depth: depth + more } })),
  ),
  widerStone('waterAtDoor'),
  widerStone('stoneDrainClose'),
  widerStone('stoneOver'),
  stepwise('stoneHigh', ['stoneDrain'], ({ slabLevel = 0 }) => [
    { label: 'Keep its stone as far below the slab', next: { groundLevel: slabLevel - inches(2) } },
  ]),
  stepwise('sleeveSmall', ['sleeve'], (_, say, { limit }) =>
    NOMINAL_SIZES.filter((size) => size >= limit + 0.02).map((size) => ({
      label: `A ${say.nominal(size)} sleeve`,
      next: { nominal: size },
    })),
  ),
  stepwise('grateAtEnd', ['discharge'], () => [{ label: 'Put a guard on it', next: { end: 'guard' as const } }]),
];
