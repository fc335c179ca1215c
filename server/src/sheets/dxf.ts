/** The plan as a drawing exchange file: named layers, inverts as polylines in space. Metres. */
import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf';
import { drawingOf, networkOf, type Job, type LayerName, type Plan } from '@katabasis/core';
import { oneLine } from './plainText';

const COLOURS: Record<LayerName | 'inverts', number> = {
  contours: 8,
  surfaces: 9,
  buildings: Colors.White,
  roofs: 8,
  openings: Colors.Red,
  barriers: 8,
  trees: Colors.Green,
  services: Colors.Magenta,
  works: Colors.Cyan,
  pipes: Colors.Blue,
  inlets: Colors.White,
  discharges: Colors.Blue,
  levels: 8,
  words: Colors.White,
  inverts: Colors.Cyan,
};

/** Height of words, m. */
const HEIGHT = 0.25;

const layerName = (layer: string): string => layer.toUpperCase();

export function dxfOf(job: Job, plan: Plan): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Meters);
  for (const [layer, colour] of Object.entries(COLOURS)) dxf.addLayer(layerName(layer), colour, 'Continuous');
  const drawing = drawingOf(job, plan);
  for (const stroke of drawing.strokes) {
    const options = { layerName: layerName(stroke.layer) };
    if (stroke.shape === 'mark') dxf.addCircle(point3d(stroke.at.east, stroke.at.north, 0), stroke.radius, options);
    else
      dxf.addLWPolyline(
        stroke.places.map(({ east, north }) => ({ point: point2d(east, north) })),
        {
          ...options,
          flags: stroke.shape === 'outline' ? LWPolylineFlags.Closed : LWPolylineFlags.None,
          ...(stroke.level === undefined ? {} : { elevation: stroke.level }),
        },
      );
  }
  for (const { inverts } of networkOf(job, plan).pipes)
    dxf.addPolyline3D(
      inverts.map(({ east, north, level }) => ({ point: point3d(east, north, level) })),
      { layerName: layerName('inverts') },
    );
  for (const { at, said } of drawing.words)
    dxf.addText(point3d(at.east, at.north, 0), HEIGHT, oneLine(said), {
      layerName: layerName('words'),
      horizontalAlignment: TextHorizontalAlignment.Left,
    });
  return dxf.stringify();
}
