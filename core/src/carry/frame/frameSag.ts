import { cross3, dot3, length3, lerp3, scale3, sub3, type Vec3, type Weight } from '../../geometry';
import type { Framework } from '../../forms';
import { type Catalogue, type Rod, rodMatters } from '../../materials';
import { secondMomentMm4, sectionAreaMm2, sectionOf, type Section } from '../../panel';
import { type PartReport, rootOf } from '../../parts';
import { byId, itemAt, newtonsOf } from '../../units';
import { mountedAt, weightsOn } from '../mounted';
import { type Bent, massesAt, mostBent, swingHz } from './borne';
import { built } from './built';
import { holdOf } from './hold';
import { largest } from './largest';
import { bornBy, movedBy, type NodeLoad, type SpaceFrame, spreadOn, type Stiffness } from './spaceFrame';

/** The same frame of another pipe. */
interface FrameChoice {
  rodId: string;
  name: string;
  sagMm: number;
  /** Highest stress under its load, and how often it swings a second. */
  bentMPa: number;
  hz?: number;
  massG: number;
  price: number;
  chosen: boolean;
}

/** How far a frame of pipes sags under itself and everything mounted on it. */
export interface FrameSag {
  partId: string;
  name: string;
  /** Of the spot that moves furthest, and which pipe or corner that is. */
  sagMm: number;
  where: string;
  /** From the spot it is held at to the one furthest off. */
  reachMm: number;
  /** The highest stress under its load at rest and where; what its material yields at, and lasts under. */
  bentMPa: number;
  bentAt: string;
  strength?: { yieldsMPa: number; lastsMPa: number };
  /** How often it swings a second by itself; absent where that was not worked out. */
  hz?: number;
  /** It goes where its wearer goes. */
  walks: boolean;
  heldBy: string;
  rodField: string;
  choices: FrameChoice[];
}

/** Poisson's ratio of pipes; handbooks have 0.3 to 0.4. */
const POISSON = 0.35;

const stiffnessOf = (section: Section, { matter }: Rod): Stiffness => {
  const modulus = rodMatters[matter].modulusMPa.value;
  const second = secondMomentMm4(section);
  return {
    stretchN: modulus * sectionAreaMm2(section),
    bendNmm2: modulus * second,
    // Of a round section the polar moment is twice the second moment; G = E/2(1 + ν).
    twistNmm2: (modulus / (2 * (1 + POISSON))) * 2 * second,
  };
};

/** How a frame does: the spot that moves furthest, the one that is bent most, and how it swings. */
interface Worked {
  sag: { node: number; mm: number };
  bent: Bent;
  hz?: number;
}

interface OnPipe {
  pipe: number;
  share: number;
  weight: Weight;
}

/** What is mounted on each pipe, with all that hangs on it, at the spot of the pipe nearest its middle. */
function mountedOn(part: PartReport, { corners, pipes }: Framework, parts: readonly PartReport[]): OnPipe[] {
  return pipes.flatMap(({ from, to, anchorId }, pipe) => {
    const a = itemAt(corners, from).at;
    const way = sub3(itemAt(corners, to).at, a);
    return mountedAt(parts, part.id, anchorId)
      .flatMap((first) => weightsOn(parts, first.id, part.id))
      .map((weight): OnPipe => {
        const share = dot3(sub3(weight.at, a), way) / Math.max(1e-9, dot3(way, way));
        return { pipe, share: Math.min(1, Math.max(0, share)), weight };
      });
  });
}

/** A load away from where it is held on turns it as well. */
function loadAt(node: number, at: Vec3, { weight }: OnPipe, way: Vec3): NodeLoad {
  const force = scale3(way, newtonsOf(weight.massG));
  return { node, force, moment: cross3(sub3(weight.at, at), force) };
}

function sagOf(
  part: PartReport,
  model: Framework,
  parts: readonly PartReport[],
  { rods }: Pick<Catalogue, 'rods'>,
): FrameSag | undefined {
  const rod = byId(rods, model.rodId);
  if (!rod || model.pipes.length === 0) return undefined;
  const mounted = mountedOn(part, model, parts);
  const frame = built(
    model,
    model.pipes.map((_, i) => mounted.filter((m) => m.pipe === i).map((m) => m.share)),
  );
  const hold = holdOf(part, frame, parts);
  if (!hold) return undefined;
  const held: SpaceFrame = { ...frame, held: hold.held };
  const lengthMm = frame.bars.reduce(
    (sum, b) => sum + length3(sub3(itemAt(frame.nodes, b.to), itemAt(frame.nodes, b.from))),
    0,
  );
  const nodeOf = ({ pipe, share }: OnPipe): number => {
    const spot = lerp3(
      itemAt(model.corners, itemAt(model.pipes, pipe).from).at,
      itemAt(model.corners, itemAt(model.pipes, pipe).to).at,
      share,
    );
    return itemAt(frame.along, pipe).reduce((a, b) =>
      length3(sub3(itemAt(frame.nodes, b), spot)) < length3(sub3(itemAt(frame.nodes, a), spot)) ? b : a,
    );
  };
  const borne = mounted.map((m) => ({ ...m, node: nodeOf(m) }));
  /** What comes of it with a pipe of this section and matter, its own pipes weighing so much. */
  const worked = (section: Section, of: Rod, ownG: number): Worked | undefined => {
    const stiffness = stiffnessOf(section, of);
    const ways = hold.ways.map((way) => {
      const perMm = scale3(way, newtonsOf(ownG) / lengthMm);
      const moved = movedBy(held, stiffness, [
        ...frame.bars.flatMap((_, i) => spreadOn(held, i, perMm)),
        ...borne.map((m) => loadAt(m.node, itemAt(frame.nodes, m.node), m, way)),
      ]);
      return moved && { way, moved, ends: bornBy(held, stiffness, moved, perMm) };
    });
    const found = ways.flatMap((w) => w ?? []);
    if (found.length < ways.length) return undefined;
    const [sag] = frame.nodes
      .map((_, node) => ({ node, mm: largest(found.map((w) => itemAt(w.moved, node).by)) }))
      .sort((a, b) => b.mm - a.mm);
    const bent = mostBent(
      section,
      found.map((w) => w.ends),
    );
    const masses = massesAt(
      frame,
      ownG / lengthMm,
      borne.map(({ node, weight }) => ({ node, massG: weight.massG })),
    );
    const hz = swingHz(masses, found);
    return sag && bent && { sag, bent, ...(hz !== undefined && { hz }) };
  };
  const own = worked(model.section, rod, part.totalG);
  const { strength } = rodMatters[rod.matter];
  const reachMm = Math.max(
    ...frame.nodes.map((p) =>
      Math.min(...hold.held.map((h) => length3(sub3(p, itemAt(frame.nodes, h.node))))),
    ),
  );
  // More than its own reach is no sag: something is not held.
  if (!own || !Number.isFinite(own.sag.mm) || own.sag.mm > Math.max(1, reachMm)) return undefined;
  const gPerMm = (section: Section, of: Rod): number =>
    sectionAreaMm2(section) * rodMatters[of.matter].densityKgM3.value * 1e-6;
  const choices = model.rodIds.flatMap((id): FrameChoice[] => {
    const other = byId(rods, id);
    const chosen = id === rod.id;
    // Only similar sizes: a drain pipe would make another frame of a small one.
    if (!other || (!chosen && other.acrossMm.value > Math.max(45, 1.6 * rod.acrossMm.value))) return [];
    const section = chosen ? model.section : sectionOf(other, other.acrossMm.value);
    const massG = chosen
      ? part.totalG
      : (part.totalG * gPerMm(section, other)) / Math.max(1e-9, gPerMm(model.section, rod));
    const found = chosen ? own : worked(section, other, massG);
    const price = (other.price.value * lengthMm) / other.stickMm;
    return found
      ? [
          {
            rodId: id,
            name: other.name,
            sagMm: found.sag.mm,
            bentMPa: found.bent.mpa,
            ...(found.hz !== undefined && { hz: found.hz }),
            massG,
            price,
            chosen,
          },
        ]
      : [];
  });
  return {
    partId: part.id,
    name: part.name,
    sagMm: own.sag.mm,
    where: itemAt(frame.names, own.sag.node),
    reachMm,
    bentMPa: own.bent.mpa,
    bentAt: itemAt(frame.names, own.bent.node),
    ...(strength && {
      strength: { yieldsMPa: strength.yieldsMPa.value, lastsMPa: strength.lastsMPa.value },
    }),
    ...(own.hz !== undefined && { hz: own.hz }),
    walks: rootOf(part, parts).mount.to !== 'stand',
    heldBy: hold.words,
    rodField: model.rodField,
    choices: choices.sort((a, b) => a.sagMm - b.sagMm),
  };
}

/** How far each frame of pipes sags; one whose pipes are not all connected to where it is held is left out as not known. */
export const frameSags = (parts: readonly PartReport[], catalogue: Pick<Catalogue, 'rods'>): FrameSag[] =>
  parts.flatMap((part) => (part.framework && sagOf(part, part.framework, parts, catalogue)) ?? []);
