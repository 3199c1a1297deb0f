import type { Vec2, Vec3 } from '../geometry';
import type { Rod } from '../materials';

/** What a stick is across, millimetres: a pipe, a round rod, a flat bar, half a round on its flat, or a triangle of equal sides. */
export type Section =
  | { shape: 'tube'; outsideMm: number; boreMm: number }
  | { shape: 'round'; outsideMm: number }
  | { shape: 'bar'; widthMm: number; thickMm: number }
  | { shape: 'half-round' | 'triangle'; widthMm: number };

/** A straight stick that carries a part, in its space: what it is of, where it runs, and which way a bar is wide. */
export interface Stick {
  id: string;
  name: string;
  rodId: string;
  from: Vec3;
  to: Vec3;
  wide: Vec3;
  section: Section;
  /** Lengths it is cut to, with the joints between them; none for a fitting that is bought as it is. */
  cutMm: number[];
  /** Ends sawn to a line drawn on a paper wrap, each with the name of its end. */
  sawn?: { name: string; girthMm: number; line: Vec2[] }[];
  /** Its far end looks like a barrel. */
  opens?: true;
}

/** A stick of the catalogue as a section, as wide as measured. */
export function sectionOf({ shape, wallMm }: Rod, acrossMm: number): Section {
  const wall = wallMm?.value ?? 0;
  switch (shape) {
    case 'tube':
      return { shape, outsideMm: acrossMm, boreMm: Math.max(0, acrossMm - 2 * wall) };
    case 'bar':
      return { shape, widthMm: acrossMm, thickMm: wall };
    case 'round':
      return { shape, outsideMm: acrossMm };
    default:
      return { shape, widthMm: acrossMm };
  }
}

/** The same whichever way it is turned. */
export const isRound = ({ shape }: Section): boolean => shape === 'tube' || shape === 'round';

/** Across it one way and the other. */
export function sizeOf(section: Section): [wideMm: number, thickMm: number] {
  switch (section.shape) {
    case 'bar':
      return [section.widthMm, section.thickMm];
    case 'half-round':
      return [section.widthMm, section.widthMm / 2];
    case 'triangle':
      return [section.widthMm, (section.widthMm * Math.sqrt(3)) / 2];
    default:
      return [section.outsideMm, section.outsideMm];
  }
}

/** Outline of a section about the middle of its box, x across and y its thickness; counter-clockwise. */
export function sectionOutline(section: Section, steps: number): Vec2[] {
  const [w, t] = sizeOf(section);
  const turns = (count: number, from: number, turn: number): Vec2[] =>
    Array.from({ length: count }, (_, i) => {
      const at = from + (turn * i) / count;
      return { x: (w / 2) * Math.cos(at), y: (w / 2) * Math.sin(at) };
    });
  switch (section.shape) {
    case 'bar':
      return [
        { x: -w / 2, y: -t / 2 },
        { x: w / 2, y: -t / 2 },
        { x: w / 2, y: t / 2 },
        { x: -w / 2, y: t / 2 },
      ];
    case 'triangle':
      return [
        { x: -w / 2, y: -t / 2 },
        { x: w / 2, y: -t / 2 },
        { x: 0, y: t / 2 },
      ];
    case 'half-round':
      return [...turns(steps / 2, 0, Math.PI), { x: -w / 2, y: 0 }].map((p) => ({
        x: p.x,
        y: p.y - t / 2,
      }));
    default:
      return turns(steps, 0, 2 * Math.PI);
  }
}

/** Material in a section, mm². */
export function sectionAreaMm2(section: Section): number {
  switch (section.shape) {
    case 'bar':
      return section.widthMm * section.thickMm;
    case 'half-round':
      return (Math.PI * section.widthMm ** 2) / 8;
    case 'triangle':
      return (Math.sqrt(3) / 4) * section.widthMm ** 2;
    case 'round':
      return (Math.PI * section.outsideMm ** 2) / 4;
    case 'tube':
      return (Math.PI * (section.outsideMm ** 2 - section.boreMm ** 2)) / 4;
  }
}

/** Second moment of area about the weaker way, mm⁴ (beam tables: π(D⁴ − d⁴)/64, b·h³/12, (π/8 − 8/9π)r⁴, √3·a⁴/96). */
export function secondMomentMm4(section: Section): number {
  switch (section.shape) {
    case 'bar':
      return (
        (Math.max(section.widthMm, section.thickMm) * Math.min(section.widthMm, section.thickMm) ** 3) / 12
      );
    case 'half-round':
      return (Math.PI / 8 - 8 / (9 * Math.PI)) * (section.widthMm / 2) ** 4;
    case 'triangle':
      return (Math.sqrt(3) * section.widthMm ** 4) / 96;
    case 'round':
      return (Math.PI * section.outsideMm ** 4) / 64;
    case 'tube':
      return (Math.PI * (section.outsideMm ** 4 - section.boreMm ** 4)) / 64;
  }
}
