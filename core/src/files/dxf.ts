import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { oneLine } from './text';
import { layers, lineStyle, type Layer, type Shape } from './shape';

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
  bevel: Colors.Red,
  text: Colors.Green,
};

/** Greek and symbols that old DXF readers cannot take, in their classic escapes. */
const plain = (text: string): string => oneLine(text).replace(/Ø/g, '%%c').replace(/°/g, '%%d');

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
      const vertices = shape.points.map((p) => ({ point: point2d(p.x, p.y) }));
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
