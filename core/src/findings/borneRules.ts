import { byId, printMm, trimNumber } from '../units';
import { inPart, type BuildRule } from './rule';

/** Heavier, or pulling harder by its lever, than a detail is said to bear, by more than this is told. */
const MORE = 1.1;

/** Details bear what is mounted on them, not what was once typed. */
export const bearsWhatHangs: BuildRule = ({ doc, report }) =>
  report.hung.flatMap(({ partId, bears, names, massG, armMm }) => {
    const index = doc.parts.findIndex((p) => p.id === partId);
    const [leverNow, leverSaid] = [massG * armMm, bears.massG * bears.armMm];
    if (index < 0 || (massG <= MORE * bears.massG && leverNow <= MORE * leverSaid)) return [];
    const part = byId(report.parts, partId)?.name ?? partId;
    return [
      {
        id: `bears:${partId}:${bears.featureId}`,
        severity: 'mind' as const,
        station: 'inside' as const,
        title: `${part}, ${bears.name}: ${names.join(', ')} weighs ${trimNumber(massG, 0)} g, its middle ${printMm(armMm, 0)} before the face; ${trimNumber(bears.massG, 0)} g at ${printMm(bears.armMm, 0)} are planned.`,
        why: 'Masses and middles of everything mounted there are summed. Take them, and the screws are worked out anew.',
        provenance: 'standard' as const,
        excess: Math.max(massG / bears.massG, leverNow / Math.max(leverSaid, 1)) - 1,
        partId,
        featureId: bears.featureId,
        remedies:
          massG > bears.most.massG || armMm > bears.most.armMm
            ? []
            : [
                {
                  label: `${trimNumber(Math.ceil(massG), 0)} g at ${printMm(Math.ceil(armMm), 0)}`,
                  changes: inPart(index, [
                    { path: bears.at.massG, value: Math.ceil(massG) },
                    { path: bears.at.armMm, value: Math.max(2, Math.ceil(armMm)) },
                  ]),
                },
              ],
      },
    ];
  });

/** A frame that gives by more than this share of its reach looks bent and swings when it is walked with; from memory. */
const GIVES = 0.03;

/** Frames of pipes carry what hangs on them. */
export const framesCarry: BuildRule = ({ doc, report }) =>
  report.frames.flatMap((f) => {
    const index = doc.parts.findIndex((p) => p.id === f.partId);
    const most = GIVES * f.reachMm;
    if (index < 0 || f.sagMm <= most) return [];
    // With a little to spare: another pipe is a little further across, and what is on it a little further out.
    const [stiffer] = f.choices
      .filter((c) => !c.chosen && c.sagMm < 0.9 * most)
      .sort((a, b) => a.massG - b.massG);
    return [
      {
        id: `frame:${f.partId}`,
        severity: 'mind' as const,
        station: 'shape' as const,
        title: `${f.name}: ${f.where} gives ${printMm(f.sagMm, 0)} under what it carries, held ${f.heldBy}.`,
        why: `Over ${trimNumber(100 * GIVES, 0)} % of its reach, ${printMm(f.reachMm, 0)}, it looks bent and swings. Every pipe as a beam that bends and twists, stiff at its corners (beam tables); fittings glued short of home give more. A pipe between, or a thicker one, helps most.`,
        provenance: 'standard' as const,
        excess: f.sagMm - most,
        partId: f.partId,
        remedies: stiffer
          ? [
              {
                label: stiffer.name,
                changes: inPart(index, [{ path: ['params', f.rodField], value: stiffer.rodId }]),
              },
            ]
          : [],
      },
    ];
  });
