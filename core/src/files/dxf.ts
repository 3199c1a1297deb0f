import { firstOf } from '../units';
import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units, type vec2_t } from '@tarikjabiri/dxf';
import { dist2, type Vec2 } from '../geometry';
import { drawnStretches } from './curves';
import { oneLine } from './text';
import { layers, lineStyle, type Layer, type Shape } from '../pattern';

const colour: Record<Layer, number> = {
  cut: Colors.White,
  hole: Colors.White,
  groove: Colors.Blue,
  fold: Colors.Green,
  score: Colors.Cyan,
  glue: Colors.Yellow,
  dart: Colors.White,
  pocket: Colors.Blue,
  rivet: Colors.White,
  pad: Colors.White,
  notch: Colors.Magenta,
  'bevel-back': Colors.Red,
  'bevel-front': Colors.Magenta,
  wedge: Colors.Red,
  leader: Colors.Green,
  text: Colors.Green,
};

/** Greek and symbols that old DXF readers cannot take, in their classic escapes. */
const plain = (text: string): string => oneLine(text).replace(/Ø/g, '%%c').replace(/°/g, '%%d');

/** Points with the bulge of what follows each: the tangent of a quarter of its arc's turn, left turns positive. */
function bulged(points: readonly Vec2[], closed: boolean): { point: vec2_t; bulge?: number }[] {
  let from = firstOf(points);
  const drawn = drawnStretches(points, closed).map((stretch) => {
    const at = from;
    from = stretch.to;
    if (!('centre' in stretch)) return { point: point2d(at.x, at.y) };
    const half = Math.asin(Math.min(1, dist2(at, from) / 2 / dist2(at, stretch.centre)));
    return { point: point2d(at.x, at.y), bulge: Math.tan(half / 2) * (stretch.ccw ? 1 : -1) };
  });
  return closed ? drawn : [...drawn, { point: point2d(from.x, from.y) }];
}

/** One drawing as DXF in millimetres, one layer per kind of line. */
export function drawingDxf(shapes: readonly Shape[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of layers) {
    const { dashMm } = lineStyle[layer];
    const type = dashMm.length > 0 ? `FOMRIK_${layer.toUpperCase()}` : 'CONTINUOUS';
    if (dashMm.length > 0)
      dxf.tables.addLType(
        type,
        lineStyle[layer].meaning,
        dashMm.map((d, i) => (i % 2 === 0 ? d : -d)),
      );
    dxf.addLayer(layer.toUpperCase(), colour[layer], type);
  }
  for (const shape of shapes) {
    const options = { layerName: shape.layer.toUpperCase() };
    if (shape.kind === 'line') {
      const vertices = bulged(shape.points, shape.closed);
      dxf.addLWPolyline(vertices, {
        ...options,
        flags: shape.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
      });
    } else if (shape.kind === 'circle') {
      dxf.addCircle(point3d(shape.centre.x, shape.centre.y, 0), shape.radiusMm, options);
    } else {
      dxf.addText(point3d(shape.at.x, shape.at.y, 0), shape.heightMm, plain(shape.text), {
        ...options,
        rotation: ((shape.turnRad ?? 0) * 180) / Math.PI,
      });
    }
  }
  return dxf.stringify();
}
