/** The water line of a network given by node ids, as a sum. */
import { z } from 'zod';
import { flowArea } from '../hydraulics/backwater';
import { upstreamFirst } from '../numeric/upstreamFirst';
import { solveWaterLine, type WaterRun } from '../network/waterLine';
import { anyNumber, BadGiven, field, notNegative, positive, type Sum } from './sum';

const id = z.string().min(1).max(200);
const nodeSchema = z.strictObject({
  id,
  invert: anyNumber,
  inflow: notNegative.optional(),
  loss: notNegative.optional(),
});
const runSchema = z.strictObject({ from: id, to: id, length: positive, diameter: positive, roughness: positive });
const outletSchema = z.strictObject({ node: id, control: anyNumber.optional() });
const MOST = 100_000;

interface Given {
  nodes: z.infer<typeof nodeSchema>[];
  runs: z.infer<typeof runSchema>[];
  outlet: z.infer<typeof outletSchema>;
}

/** Runs upstream first; names what keeps the network from being a tree toward its outlet. */
function ordered(nodes: Given['nodes'], runs: WaterRun[], outlet: number): Int32Array {
  const leaving = new Int32Array(nodes.length).fill(-1);
  runs.forEach((run, index) => {
    if (run.from === run.to) throw new BadGiven(`runs.${index}.to`, 'is where the run starts');
    if (leaving[run.from] !== -1)
      throw new BadGiven(`runs.${index}.from`, `is a second way out of "${nodes[run.from]!.id}"`);
    leaving[run.from] = index;
  });
  if (leaving[outlet] !== -1) throw new BadGiven('outlet.node', 'has a run that leaves it');
  for (let node = 0; node < nodes.length; node++) {
    if (leaving[node] === -1 && node !== outlet)
      throw new BadGiven(`nodes.${node}.id`, `"${nodes[node]!.id}" has no way to the outlet`);
  }
  const { order, left } = upstreamFirst(nodes.length, (node) =>
    leaving[node] === -1 ? [] : [runs[leaving[node]!]!.to],
  );
  if (left.length > 0) throw new BadGiven('runs', 'go round in a loop');
  return Int32Array.from(order.map((node) => leaving[node]!).filter((run) => run !== -1));
}

function solve({ nodes, runs: given, outlet }: Given): object {
  const place = new Map<string, number>();
  nodes.forEach((node, index) => {
    if (place.has(node.id)) throw new BadGiven(`nodes.${index}.id`, `"${node.id}" is taken by another node`);
    place.set(node.id, index);
  });
  const find = (name: string, where: string): number => {
    const index = place.get(name);
    if (index === undefined) throw new BadGiven(where, `"${name}" is no node`);
    return index;
  };
  const runs = given.map((run, index): WaterRun => ({
    ...run,
    from: find(run.from, `runs.${index}.from`),
    to: find(run.to, `runs.${index}.to`),
  }));
  const end = find(outlet.node, 'outlet.node');
  const order = ordered(nodes, runs, end);
  const network = {
    inverts: nodes.map((node) => node.invert),
    inflows: nodes.map((node) => node.inflow ?? 0),
    losses: nodes.map((node) => node.loss ?? 0),
    runs,
    order,
  };
  const { flows, levels, reaches } = solveWaterLine(network, () => outlet.control ?? Number.NEGATIVE_INFINITY);
  return {
    nodes: nodes.map((node, k) => ({ id: node.id, level: levels[k]!, depth: levels[k]! - node.invert })),
    runs: runs.map((run, k) => {
      const { depthUp, depthDown, regime } = reaches[k]!;
      const middle = Math.min(run.diameter, (depthUp + depthDown) / 2);
      return {
        from: given[k]!.from,
        to: given[k]!.to,
        flow: flows[k]!,
        velocity: flows[k]! > 0 ? flows[k]! / flowArea(middle, run.diameter) : 0,
        depthUp,
        depthDown,
        regime,
      };
    }),
  };
}

export const networkSums: readonly Sum[] = [
  {
    name: 'waterline.solve',
    source: 'Gradually varied flow and friction slope by Manning (Chow 1959, chapters 9 and 10); losses K V²/2g.',
    fields: {
      nodes: field(z.array(nodeSchema).min(2).max(MOST), 'id; invert m; inflow m³/s; loss K'),
      runs: field(z.array(runSchema).min(1).max(MOST), 'from; to; length m; diameter m; roughness s/m^(1/3)'),
      outlet: field(outletSchema, 'node; control m'),
    },
    gives: { nodes: 'id; level m; depth m', runs: 'from; to; flow m³/s; velocity m/s; depthUp m; depthDown m; regime' },
    run: solve,
  },
];
