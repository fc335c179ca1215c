/** Pipes and ground in LandXML 1.2, metres: a pipe network with its structures, and the surface as a triangulated one. Places are north, east, as it has them. */
import { XMLBuilder } from 'fast-xml-parser';
import { headOf, networkOf, surfaceOf, type Job, type LaidPipe, type Plan } from '@katabasis/core';
import { oneLine } from './plainText';

const PREFIX = '@';
const m = (metres: number): string => metres.toFixed(4);

/** Its own name of a make. */
function materialOf({ material }: LaidPipe): string {
  if (material === 'pvc') return 'PVC';
  return material === 'oldClay' ? 'Clay' : 'HDPE';
}

const attributes = (fields: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(fields).map(([key, value]) => [PREFIX + key, oneLine(value)]));

/** Structures and pipes, each pipe named by the two that it lies between. */
const pipeNetwork = (name: string, { nodes, pipes }: ReturnType<typeof networkOf>): object => ({
  ...attributes({ name, pipeNetType: 'storm' }),
  Structs: {
    Struct: nodes.map(({ id, name: called, kind, east, north, rim, invert }) => ({
      ...attributes({
        name: id,
        desc: `${called} (${kind})`,
        elevRim: m(rim),
        ...(invert === null ? {} : { elevSump: m(invert) }),
      }),
      Center: `${m(north)} ${m(east)}`,
      Invert: pipes.flatMap((pipe) => {
        if (pipe.from === id)
          return [attributes({ elev: m(pipe.inverts[0]!.level), flowDir: 'out', refPipe: pipe.id })];
        return pipe.to === id
          ? [attributes({ elev: m(pipe.inverts.at(-1)!.level), flowDir: 'in', refPipe: pipe.id })]
          : [];
      }),
    })),
  },
  Pipes: {
    Pipe: pipes.map((pipe) => ({
      ...attributes({
        name: pipe.id,
        desc: pipe.name,
        refStart: pipe.from,
        refEnd: pipe.to,
        length: m(pipe.length),
        slope: (pipe.pitch * 100).toFixed(4),
      }),
      CircPipe: attributes({
        diameter: m(pipe.diameter),
        material: materialOf(pipe),
        mannings: String(pipe.roughness),
      }),
      ...(pipe.inverts.length > 2
        ? {
            Center: undefined,
            PntList3D: pipe.inverts.map(({ east, north, level }) => `${m(north)} ${m(east)} ${m(level)}`).join(' '),
          }
        : {}),
      PipeFlow: attributes({ flowIn: pipe.flow.toFixed(6) }),
    })),
  },
});

/** `made`: when, as an ISO instant. */
export function landXmlOf(job: Job, plan: Plan, made: string): string {
  const surface = surfaceOf(job);
  const name = headOf(job).name;
  const [date, time = ''] = made.split('T');
  const landXml = {
    ...attributes({
      xmlns: 'http://www.landxml.org/schema/LandXML-1.2',
      version: '1.2',
      date: date!,
      time: time.slice(0, 8),
      language: 'English',
      readOnly: 'false',
    }),
    Units: {
      Metric: attributes({
        areaUnit: 'squareMeter',
        linearUnit: 'meter',
        volumeUnit: 'cubicMeter',
        temperatureUnit: 'celsius',
        pressureUnit: 'HPA',
        diameterUnit: 'meter',
      }),
    },
    Project: attributes({ name }),
    Application: attributes({ name: 'Katabasis' }),
    ...(surface
      ? {
          Surfaces: {
            Surface: {
              ...attributes({ name: `Ground of ${name}` }),
              Definition: {
                ...attributes({ surfType: 'TIN' }),
                Pnts: {
                  P: surface.points.map(({ east, north, level }, k) => ({
                    ...attributes({ id: String(k + 1) }),
                    '#text': `${m(north)} ${m(east)} ${m(level)}`,
                  })),
                },
                Faces: { F: surface.faces.map((face) => face.map((k) => k + 1).join(' ')) },
              },
            },
          },
        }
      : {}),
    PipeNetworks: { PipeNetwork: pipeNetwork(name, networkOf(job, plan)) },
  };
  const xml = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: PREFIX,
    format: true,
    suppressEmptyNode: true,
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${xml.build({ LandXML: landXml })}`;
}
