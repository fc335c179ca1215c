/**
 * A fitting checker of its own: what is in the list at a landing is put together in the mind, socket by socket. Every end of pipe there and
 * everything bought for the place must come together into one thing, each socket of a make and size with another of the same.
 */
import { OUTFALLS } from '../catalogue/outfalls';
import type { Item } from '../catalogue/items';
import { ofKind, type Job } from '../job/job';
import { isLanding, isLaid, isNew, type Landing, type Run } from '../job/kinds';
import type { TakeOff } from '../quantities/takeOff';

const socket = (material: string, nominal: number): string => `${material} ${Math.round(nominal * 1e4)}`;

/** Sockets of an item, and whether it is set into a body (a box, a channel, a downspout, a store) that several such hold together. */
function socketsOf(item: Item): { sockets: string[]; body?: true } | null {
  switch (item.type) {
    case 'pipe':
    case 'coupler':
    case 'slipCoupler':
    case 'bend':
      return { sockets: [socket(item.material, item.nominal), socket(item.material, item.nominal)] };
    case 'wye':
    case 'tee':
      return {
        sockets: [
          socket(item.material, item.nominal),
          socket(item.material, item.nominal),
          socket(item.material, item.branch),
        ],
      };
    case 'reducer':
      return { sockets: [socket(item.material, item.nominal), socket(item.material, item.branch)] };
    case 'adapter':
    case 'boot':
      return { sockets: [socket(item.material, item.nominal), socket(item.other, item.nominal)] };
    case 'cap':
    case 'cleanoutCap':
      return { sockets: [socket(item.material, item.nominal)] };
    case 'boxOutlet':
    case 'inletSeal':
    case 'channelOutlet':
    case 'downspoutAdapter':
      return { sockets: [socket(item.material, item.nominal)], body: true };
    default:
      return null;
  }
}

/** Ends of pipe at a landing. */
function endsAt(job: Job, landing: Landing): string[] {
  // An old pipe's end at a way out is met by what was there before.
  const runs = ofKind(job, 'run').filter((run) => isLaid(run) && (landing.kind !== 'discharge' || isNew(run)));
  const of = ({ material, nominal, parallel = 1 }: Run): string[] =>
    Array.from({ length: parallel }, () => socket(material, nominal));
  return [
    ...runs.filter(({ to }) => to === landing.id).flatMap(of),
    ...runs.filter(({ from }) => from === landing.id).flatMap(of),
  ];
}

/** What takes an end of whatever make: the open air, a kerb, an emitter, a tap; and both ends of a main that a wye is spliced into. */
function givenAt(job: Job, landing: Landing, items: readonly Item[]): string[] {
  if (landing.kind !== 'discharge') return [];
  const ends = endsAt(job, landing);
  const { form, mainMaterial = 'clay', mainDiameter } = landing;
  if (OUTFALLS[form].opensOut || form === 'popup') return ends;
  if (form !== 'main') return [];
  const wyes = items.filter(({ type }) => type === 'wye').length;
  if (wyes > 0) return Array.from({ length: 2 * wyes }, () => socket(mainMaterial, mainDiameter ?? 0));
  // A tap takes what comes to it, booted where that is of another make.
  const boots = items.filter(({ type }) => type === 'boot');
  return boots.length > 0 ? boots.map((boot) => socketsOf(boot)!.sockets[1]!) : ends;
}

/** What does not fit at one landing, in a line; null where all does. */
function unmetAt(job: Job, landing: Landing, items: readonly Item[]): string | null {
  const parts = items.flatMap((item) => socketsOf(item) ?? []);
  const loose = [...endsAt(job, landing), ...givenAt(job, landing, items)];
  const count = new Map<string, number>();
  const group = new Map<string, string>();
  const find = (node: string): string => {
    const up = group.get(node);
    return up === undefined || up === node ? node : find(up);
  };
  const join = (a: string, b: string): void => void group.set(find(a), find(b));
  for (const each of loose) count.set(each, (count.get(each) ?? 0) + 1);
  for (const { sockets, body } of parts) {
    for (const each of sockets) {
      count.set(each, (count.get(each) ?? 0) + 1);
      join(each, body ? 'body' : sockets[0]!);
    }
  }
  const odd = [...count].find(([, times]) => times % 2 === 1);
  if (odd) return `${landing.id}: one socket of ${odd[0]} is left over`;
  // Each pipe ends by itself at a way out.
  if (landing.kind === 'discharge') return null;
  // And is closed by itself where nothing goes on.
  if (!ofKind(job, 'run').some((run) => run.from === landing.id && isLaid(run))) return null;
  const nodes = [...count.keys()];
  const apart = nodes.find((node) => find(node) !== find(nodes[0]!));
  return apart === undefined ? null : `${landing.id}: ${apart} and ${nodes[0]} are joined by nothing`;
}

/** What of a job's list does not fit together, one line each. `opensOut` ends want nothing; what was all here before is not looked at. */
export function portsUnmet(job: Job, { parts }: TakeOff): string[] {
  const at = new Map<string, Item[]>();
  for (const { item, uses, unit } of parts)
    for (const { id, quantity } of uses) {
      const pieces = item.type === 'pipe' ? 1 : unit === 'piece' ? Math.round(quantity) : 0;
      at.set(id, [...(at.get(id) ?? []), ...Array.from({ length: pieces }, () => item)]);
    }
  const isNewAt = (id: string): boolean =>
    ofKind(job, 'run').some((run) => isNew(run) && (run.from === id || run.to === id));
  return job.elements.all
    .filter((element): element is Landing => isLanding(element) && isNewAt(element.id))
    .flatMap((landing) => unmetAt(job, landing, at.get(landing.id) ?? []) ?? []);
}
