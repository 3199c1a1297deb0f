import { resolveBody } from '../body/estimate';
import { drapedKinds, formKinds, type FormKindName } from '../forms/kinds';
import { bracer } from '../forms/bracer/bracer';
import type { Wearer } from '../body/measures';
import { isPaired } from '../forms/partForm';
import { schemaVersion, type BracerPart, type BuildDoc, type Lights, type Part } from './document';

const addDays = (iso: string, days: number): string =>
  new Date(Date.parse(`${iso}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** A first part of a form, seeded from the wearer. */
export function newPart(id: string, wearer: Wearer, form: FormKindName = 'bracer'): Part {
  const body = resolveBody(wearer.measures);
  const base = {
    id,
    name: formKinds[form].label,
    foam: { foamId: form === 'bracer' ? 'dense-eva' : 'light-eva', nominalMm: 6 },
    lining: null,
    lights: null,
  };
  const part: Part =
    form === 'bracer'
      ? { ...base, sides: 'pair', form, params: bracer.defaults(body) }
      : { ...base, sides: 'pair', form, params: drapedKinds[form].defaults(body) };
  return isPaired(part) ? part : { ...part, sides: 'left' };
}

/** Lamps on the back of a new bracer, the pack inside the arm. */
export const newLights = (part: BracerPart): Lights => ({
  rows: [
    {
      id: 'row-1',
      colour: 'amber',
      body: '5mm',
      count: 3,
      pitchMm: 30,
      aroundDeg: 0,
      alongMm: part.params.startMm + 50,
    },
  ],
  currentMa: 20,
  packId: '3xaaa',
  packAt: { aroundDeg: 60, alongMm: Math.round(part.params.endMm - 70) },
  pocket: true,
  switchId: 'slide',
  switchAt: { aroundDeg: 300, alongMm: Math.round(part.params.endMm - 50) },
});

/** An empty build for a wearer, begun today and due in six weeks. */
export const newBuild = (name: string, todayIso: string, wearer: Wearer): BuildDoc => ({
  schema: schemaVersion,
  name,
  brief: {
    version: 'hero',
    startDate: todayIso,
    eventDate: addDays(todayIso, 42),
    hoursPerDay: 2,
    budget: 120,
    currency: 'EUR',
    lightHours: 6,
    luggageMm: 650,
    eventMaxMm: 2000,
    notes: '',
  },
  wearer,
  stock: [],
  parts: [],
  cut: { page: 'A4', barMeasuredMm: 100, overlapMm: 10, spacingMm: 5 },
  make: { habits: { glue: 'contact', fold: 'v-groove', seal: 'spray-rubber', cutter: 'knife' }, done: {} },
});
