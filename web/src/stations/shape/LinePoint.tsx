import type { Vec2 } from '@fomrik/core/geometry/vec';
import { NumberField } from '../../parts/Field';

/** One end of a drawn line as percent of its piece: across from the left, up from the lower edge. */
export function LinePoint({
  label,
  point,
  onChange,
}: {
  label: string;
  point: Vec2;
  onChange: (point: Vec2) => void;
}) {
  const percent = (t: number): number => Math.round(t * 100);
  return (
    <div className="grid grid-cols-2 gap-x-1">
      <NumberField
        label={`${label}, across`}
        value={percent(point.x)}
        range={[0, 100]}
        suffix="%"
        onChange={(x) => onChange({ ...point, x: x / 100 })}
      />
      <NumberField
        label="up"
        value={percent(point.y)}
        range={[0, 100]}
        suffix="%"
        onChange={(y) => onChange({ ...point, y: y / 100 })}
      />
    </div>
  );
}
