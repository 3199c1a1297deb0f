import { resolveBody } from '../body/estimate';
import { bracer } from '../forms/bracer/bracer';
import type { Wearer } from '../body/measures';
import { schemaVersion, type BuildDoc, type Lights, type Part } from './document';

const addDays = (iso: string, days: number): string =>
  new Date(Date.parse(`${iso}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

export const newPart = (id: string, wearer: Wearer): Part => ({
  id,
  name: 'Bracer',
  form: 'bracer',
  sides: 'pair',
  params: bracer.defaults(resolveBody(wearer.measures)),
  foam: { foamId: 'dense-eva', nominalMm: 6 },
  lining: null,
  lights: null,
});

/** Lamps on the back of a new bracer, the pack inside the arm. */
export const newLights = (part: Part): Lights => ({
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
