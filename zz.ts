import { derive } from '@fomrik/core/report';
import { applied } from './demo/more/apply';
import { recipes } from './demo/more/recipes';
const only = process.argv.slice(2);
for (const r of recipes.filter((r) => only.length === 0 || only.includes(r.id))) {
  const t = Date.now();
  try {
    const doc = applied(r); const rep = derive(doc);
    console.log('##', r.id, `${Date.now() - t} ms`, rep.parts.map((p) => `${p.name}:${p.pieces.length}/${Math.round(p.totalG)}g`).join(' '), rep.circuits.map((c) => c.run?.hours?.toFixed(1)).join(), `${Math.round(rep.totals.costTotal ?? 0)}`);
    for (const f of rep.findings) console.log('   ', f.severity, f.id, '·', f.partId ?? '', '·', f.title, '|', f.remedies.map((x) => x.label).join(' / '));
  } catch (e) { console.log('##', r.id, 'FAIL', (e as Error).message); }
}
