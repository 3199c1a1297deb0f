import { createDeriver } from '/work/main/core/src/report/index.ts';
import { demo } from '/work/main/core/src/files/testing/demo.ts';
const doc = demo('lampwarden-harness');
const d = createDeriver();
let r = d(doc);
console.log(r.fitting.covered);
for (let i = 0; i < 4; i++) {
  const a = performance.now();
  createDeriver()(doc);
  console.log('cold', performance.now() - a);
}
const i = doc.parts.findIndex((p) => p.form === 'greave');
const t = [];
for (let k = 0; k < 30; k++) {
  const e = {
    ...doc,
    parts: doc.parts.map((p, j) =>
      j === i ? { ...p, params: { ...p.params, easeMm: 10 + (k % 5) + k / 100 } } : p,
    ),
  };
  const a = performance.now();
  d(e);
  t.push(performance.now() - a);
}
t.sort((a, b) => a - b);
console.log('full', t[15]);
