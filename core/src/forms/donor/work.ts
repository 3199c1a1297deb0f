import type { Bought, Work } from '../../features';
import type { CaseParams } from './fields';
import { type CaseMaterial, caseMaterials } from './materials';

/** Minutes to open it, and for each screw; from memory. */
const OPEN_MIN = 6;
const SCREW_MIN = 0.5;
const GLUED_MIN = 25;

/** The thing itself, where it has to be bought; its mass is counted as dead weight. */
export const boughtOf = ({ price }: Pick<CaseParams, 'price'>): Bought[] =>
  price > 0
    ? [
        {
          what: 'itself',
          itself: true,
          unit: 'pieces',
          count: 1,
          each: price,
          massG: 0,
          provenance: 'measured',
        },
      ]
    : [];

/** It is opened, primed as its material wants, and closed again. */
export function workOf(params: CaseParams): Work[] {
  const { opens, screws, power } = params;
  const bagged = opens === 'screws' ? `Take out ${screws} screws, bag them and note which goes where. ` : '';
  const swung =
    opens === 'hinge'
      ? 'Tape the lid to its stop while it is drilled: a hinge of thin plastic breaks once. '
      : '';
  const shut = opens === 'glued' ? 'Cut along the glued seam with a fine saw, not through it. ' : '';
  const was =
    power === 'cells'
      ? 'Take the cells out first; touch no capacitor. Photograph the wires before they are cut. '
      : '';
  const openMin =
    OPEN_MIN + (opens === 'screws' ? screws * SCREW_MIN : 0) + (opens === 'glued' ? GLUED_MIN : 0);
  return [
    {
      step: 'open',
      when: 'flat',
      verb: 'open',
      what: 'the thing itself',
      count: 1,
      eachMin: openMin,
      detail: `${bagged}${swung}${shut}${was}Test what works before anything is changed.`,
      cautions: opens === 'glued' ? ['boardDust', 'blade'] : ['blade'],
      waitMin: 0,
    },
    {
      step: 'prime',
      when: 'formed',
      verb: 'prime',
      what: 'the case',
      count: 1,
      eachMin: 20,
      detail: `${caseMaterials[params.material as CaseMaterial].prime} Dust of unknown plastic harms: wet sand, mask, eye protection; old cases splinter. Masked before paint: contacts, threads, lenses, and the lips where it closes. Enamel and varnish are dry in hours and hard enough to handle in days; follow the can.`,
      cautions: ['boardDust', 'paint'],
      waitMin: 60,
      waitFor: 'primer dry',
    },
    {
      step: 'close',
      when: 'painted',
      verb: 'close',
      what: 'the case',
      count: 1,
      eachMin: OPEN_MIN + (opens === 'screws' ? screws * SCREW_MIN : 0),
      detail: `Test, close${opens === 'screws' ? ', every screw where it came from, by hand' : ''}, test again.`,
      cautions: [],
      waitMin: 0,
    },
  ];
}
