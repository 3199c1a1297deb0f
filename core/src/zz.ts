import { newBuild, newPart, standardKinds } from './parts';
import { derive } from './report';
const w = { name: 'T', underLayerMm: 2, measures: [] };
for (const rod of ['pvc-1-2in', 'pvc-3-4in', 'pvc-1in', 'flat-20x3', 'dowel-20', 'alu-tube-16x1', 'foam-rod-30'])
for (const k of standardKinds.forms.values()) if (k.rides) {
  const h = newPart('h', w, 'haft'); const p = newPart('p', w, k.kind, undefined, 'h');
  const doc: any = { ...newBuild('x', '2026-03-01', w), parts: [{ ...h, params: { ...h.params, rod } }, p] };
  const r = derive(doc, { untried: true });
  if (r.standings.length) console.log(rod, k.kind, r.standings.map((s) => `deep ${s.deepMm.toFixed(2)} gap ${s.gapMm.toFixed(2)}`).join());
}
