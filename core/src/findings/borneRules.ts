import { byId, printMm, trimNumber } from '../units';
import { inPart, type BuildRule } from './rule';

/** A load, or its moment about the face, may exceed the planned one by this factor before it is a finding. */
const MORE = 1.1;

const within = ([least, most]: readonly [number, number], value: number): number =>
  Math.min(most, Math.max(least, value));

/** Parts mounted on a detail may not be heavier, or stand out further, than was planned for it. */
export const bearsWhatHangs: BuildRule = ({ doc, report }) =>
  report.hung.flatMap(({ partId, bears, names, massG, armMm }) => {
    const index = doc.parts.findIndex((p) => p.id === partId);
    const [momentNow, momentPlanned] = [massG * armMm, bears.massG * bears.armMm];
    if (index < 0 || (massG <= MORE * bears.massG && momentNow <= MORE * momentPlanned)) return [];
    const part = byId(report.parts, partId)?.name ?? partId;
    const { range, at } = bears;
    const tooMuch = massG > range.massG[1] || armMm > range.armMm[1];
    return [
      {
        id: `bears:${partId}:${bears.featureId}`,
        severity: 'mind' as const,
        station: 'inside' as const,
        title: `${part}, ${bears.name}: ${names.join(' and ')} ${names.length > 1 ? 'weigh' : 'weighs'} ${trimNumber(massG, 0)} g with the centre of mass ${printMm(armMm, 0)} from the face; planned are ${trimNumber(bears.massG, 0)} g at ${printMm(bears.armMm, 0)}.`,
        why: 'The load is the sum of everything mounted there. Once it is planned, the screws are calculated for it.',
        provenance: 'standard' as const,
        excess: Math.max(massG / bears.massG, momentNow / Math.max(momentPlanned, 1)) - 1,
        partId,
        featureId: bears.featureId,
        remedies: tooMuch
          ? []
          : [
              {
                label: `Plan for ${trimNumber(Math.ceil(massG), 0)} g at ${printMm(Math.ceil(armMm), 0)}`,
                changes: inPart(index, [
                  { path: at.massG, value: within(range.massG, Math.ceil(massG)) },
                  { path: at.armMm, value: within(range.armMm, Math.ceil(armMm)) },
                ]),
              },
            ],
      },
    ];
  });
