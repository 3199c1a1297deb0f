import type { Vec2 } from '../../geometry';
import { type Attachment, type Panel, platePanel } from '../../panel';
import type { FormInput } from '../contract';
import { ellipse, regular } from './outlines';
import { piercing } from './seat';

type Sheet = Pick<FormInput<unknown>, 'foam' | 'ply' | 'through'>;

const shape = (sides: number, acrossMm: number): Vec2[] =>
  sides === 0 ? ellipse({ x: 0, y: 0 }, acrossMm / 2) : regular({ x: 0, y: 0 }, sides, acrossMm);

/** A level plate that closes an end, flush with a profile; round where it has no sides. */
export const endPlate = (
  input: Sheet,
  id: string,
  name: string,
  z: number,
  acrossMm: number,
  sides: number,
  attached?: Attachment,
): Panel =>
  plateBetween(input, {
    id,
    name,
    z,
    lowMm: acrossMm,
    highMm: acrossMm,
    sides,
    ...(attached && { attached }),
  });

export interface Ended {
  id: string;
  name: string;
  /** Of its lower face. */
  z: number;
  /** Across at its lower and its upper face: what it stands in may lean. */
  lowMm: number;
  highMm: number;
  sides: number;
  /** How its rim is fastened. */
  attached?: Attachment;
}

/** A level plate whose rim leans as what it stands in. */
export function plateBetween(
  { foam, ply, through }: Sheet,
  { id, name, z, lowMm, highMm, sides, attached }: Ended,
): Panel {
  const t = foam.thicknessMm.value;
  return platePanel({
    id,
    name,
    origin: { x: 0, y: 0, z },
    across: { x: 1, y: 0, z: 0 },
    up: { x: 0, y: 1, z: 0 },
    outline: shape(sides, Math.max(lowMm, highMm)),
    cuts: through.flatMap((stick) => {
      const hole = piercing(stick, z, z + t, foam);
      return hole ? [hole] : [];
    }),
    ...(Math.abs(highMm - lowMm) > LEAST_MM && {
      sections: [
        { atMm: 0, region: [shape(sides, lowMm)] },
        { atMm: t, region: [shape(sides, highMm)] },
      ],
    }),
    ...(attached && { rimAttached: attached }),
    ply,
  });
}

/** A rim that leans by less than this is cut square. */
const LEAST_MM = 0.2;
