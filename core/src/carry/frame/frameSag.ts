import {
  cross3,
  dot3,
  length3,
  lerp3,
  placedWeight,
  scale3,
  sub3,
  togetherWeight,
  type Vec3,
  type Weight,
} from '../../geometry';
import { type Catalogue, type Rod, rodMatters } from '../../materials';
import { secondMomentMm4, sectionAreaMm2, sectionOf, type Section } from '../../panel';
import { allOntoRoot, type PartReport } from '../../parts';
import { byId, itemAt, lastOf, newtonsOf } from '../../units';
import { movedBy, type NodeLoad, type SpaceFrame, spreadOn, type Stiffness } from './spaceFrame';

/** The same frame of another pipe. */
interface FrameChoice {
  rodId: string;
  name: string;
  sagMm: number;
  massG: number;
  price: number;
  chosen: boolean;
}

/** How far a frame of pipes gives under itself and all that is mounted on it. */
export interface FrameSag {
  partId: string;
  name: string;
  /** Of the spot that moves furthest, and which pipe or corner that is. */
  sagMm: number;
  where: string;
  /** From the spot it is held at to the one furthest off. */
  reachMm: number;
  heldBy: string;
  rodField: string;
  choices: FrameChoice[];
}

/** PVC and the other pipes grow thinner by so much of what they stretch; handbooks give 0.3 to 0.4. */
const POISSON = 0.35;
/** Corners are the highest or the lowest within this, mm. */
const LEVEL_MM = 10;
/** Nearer to a corner than this share of its pipe, a load is at the corner. */
const AT_CORNER = 0.02;

type Model = NonNullable<PartReport['framework']>;

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

/** A frame being put together: pipes in two halves at their middles, and parted where something is mounted. */
interface Built extends SpaceFrame {
  nodes: Vec3[];
  names: string[];
  /** Nodes along each pipe, from its first corner to its last. */
  along: number[][];
}

function built({ corners, pipes }: Model, stops: readonly (readonly number[])[]): Built {
  const nodes = corners.map((c) => c.at);
  const names = corners.map((c) => c.name);
  const along = pipes.map(({ from, to, name }, i) => {
    const [a, b] = [itemAt(nodes, from), itemAt(nodes, to)];
    const between = [...new Set([0.5, ...itemAt(stops, i)])]
      .filter((t) => t > AT_CORNER && t < 1 - AT_CORNER)
      .sort((s, t) => s - t);
    const inner = between.map((t) => {
      names.push(name);
      return nodes.push(lerp3(a, b, t)) - 1;
    });
    return [from, ...inner, to];
  });
  const bars = along.flatMap((run) => run.slice(1).map((to, i) => ({ from: itemAt(run, i), to })));
  return { nodes, names, along, bars, held: [] };
}

/** How it is held, in words and by its nodes; and which ways it may hang there. */
function holdOf(part: PartReport, frame: Built): { words: string; held: SpaceFrame['held']; ways: Vec3[] } {
  const { mount } = part;
  const down = { x: 0, y: 0, z: -1 };
  const used = [...new Set(frame.along.flatMap((run) => [itemAt(run, 0), lastOf(run)]))];
  const heights = used.map((n) => itemAt(frame.nodes, n).z);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const near = (level: number): number[] =>
    used.filter((n) => Math.abs(itemAt(frame.nodes, n).z - level) <= LEVEL_MM);
  if (mount.to === 'wearer' && mount.zone === 'back')
    return {
      words: 'on the back, at its top and its foot',
      held: [...new Set([...near(low), ...near(high)])].map((node) => ({ node, turns: false })),
      ways: [down],
    };
  if (mount.to === 'wearer') {
    const first = itemAt(frame.along, 0);
    const middle = frame.nodes[itemAt(first, Math.floor(first.length / 2))];
    const fist = part.heldAt ?? middle!;
    const nearest = first.reduce((a, b) =>
      length3(sub3(itemAt(frame.nodes, b), fist)) < length3(sub3(itemAt(frame.nodes, a), fist)) ? b : a,
    );
    return {
      words: 'in a fist round its first pipe, whichever way it is turned',
      held: [{ node: nearest, turns: true }],
      ways: [down, { x: 1, y: 0, z: 0 }, { x: 0, y: 1, z: 0 }],
    };
  }
  return {
    words: 'fast at its foot',
    held: near(low).map((node) => ({ node, turns: true })),
    ways: mount.to === 'stand' ? [down] : [down, { x: 1, y: 0, z: 0 }, { x: 0, y: 1, z: 0 }],
  };
}

interface OnPipe {
  pipe: number;
  share: number;
  weight: Weight;
}

/** What is mounted on each pipe, with all that hangs on it, at the spot of the pipe nearest its middle. */
function mountedOn(part: PartReport, { corners, pipes }: Model, parts: readonly PartReport[]): OnPipe[] {
  return pipes.flatMap(({ from, to, anchorId }, pipe) =>
    parts
      .filter(({ mount }) => mount.to === 'part' && mount.part === part.id && mount.anchor === anchorId)
      .flatMap((first) =>
        allOntoRoot(parts, first.id, part.id).map((toFrame): OnPipe => {
          const weight = togetherWeight(
            parts.flatMap((other) =>
              allOntoRoot(parts, other.id, first.id).map((toFirst) =>
                placedWeight(other.weight, (p) => toFrame(toFirst(p))),
              ),
            ),
          );
          const a = itemAt(corners, from).at;
          const way = sub3(itemAt(corners, to).at, a);
          const share = dot3(sub3(weight.at, a), way) / Math.max(1e-9, dot3(way, way));
          return { pipe, share: Math.min(1, Math.max(0, share)), weight };
        }),
      ),
  );
}

/** A load away from where it is held on turns it as well. */
function loadAt(node: number, at: Vec3, { weight }: OnPipe, way: Vec3): NodeLoad {
  const force = scale3(way, newtonsOf(weight.massG));
  return { node, force, moment: cross3(sub3(weight.at, at), force) };
}

function sagOf(
  part: PartReport,
  model: Model,
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
  const hold = holdOf(part, frame);
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
  /** The furthest any spot moves, of all ways it may be turned, as a frame of this pipe that weighs so much. */
  const worst = (stiffness: Stiffness, ownG: number): { node: number; mm: number } | undefined => {
    let most: { node: number; mm: number } | undefined;
    for (const way of hold.ways) {
      const perMm = scale3(way, newtonsOf(ownG) / lengthMm);
      const moved = movedBy(held, stiffness, [
        ...frame.bars.flatMap((_, i) => spreadOn(held, i, perMm)),
        ...mounted.map((m) => {
          const node = nodeOf(m);
          return loadAt(node, itemAt(frame.nodes, node), m, way);
        }),
      ]);
      if (!moved) return undefined;
      moved.forEach((by, node) => {
        const mm = length3(by);
        if (!most || mm > most.mm) most = { node, mm };
      });
    }
    return most;
  };
  const own = worst(stiffnessOf(model.section, rod), part.totalG);
  const reachMm = Math.max(
    ...frame.nodes.map((p) =>
      Math.min(...hold.held.map((h) => length3(sub3(p, itemAt(frame.nodes, h.node))))),
    ),
  );
  // What moves further than it is long is not held at all.
  if (!own || !Number.isFinite(own.mm) || own.mm > Math.max(1, reachMm)) return undefined;
  const gPerMm = (section: Section, of: Rod): number =>
    sectionAreaMm2(section) * rodMatters[of.matter].densityKgM3.value * 1e-6;
  const choices = model.rodIds.flatMap((id): FrameChoice[] => {
    const other = byId(rods, id);
    const chosen = id === rod.id;
    // Sizes that are near: a drain is no stiffer pipe of a small frame, but another frame.
    if (!other || (!chosen && other.acrossMm.value > Math.max(45, 1.6 * rod.acrossMm.value))) return [];
    const section = chosen ? model.section : sectionOf(other, other.acrossMm.value);
    const massG = chosen
      ? part.totalG
      : (part.totalG * gPerMm(section, other)) / Math.max(1e-9, gPerMm(model.section, rod));
    const found = chosen ? own : worst(stiffnessOf(section, other), massG);
    const price = (other.price.value * lengthMm) / other.stickMm;
    return found ? [{ rodId: id, name: other.name, sagMm: found.mm, massG, price, chosen }] : [];
  });
  return {
    partId: part.id,
    name: part.name,
    sagMm: own.mm,
    where: itemAt(frame.names, own.node),
    reachMm,
    heldBy: hold.words,
    rodField: model.rodField,
    choices: choices.sort((a, b) => a.sagMm - b.sagMm),
  };
}

/** How far every frame of pipes gives; one that is not held as a whole is left out: it is not known. */
export const frameSags = (parts: readonly PartReport[], catalogue: Pick<Catalogue, 'rods'>): FrameSag[] =>
  parts.flatMap((part) => (part.framework && sagOf(part, part.framework, parts, catalogue)) ?? []);
