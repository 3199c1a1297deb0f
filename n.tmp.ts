import { largestGroup, shareUsed } from './bench/nesting';
import { nesting } from './core/src/cut/index';
import { demo } from './core/src/files/testing/demo';
const doc = demo('lampwarden-harness');
const g = largestGroup(doc);
const t0 = performance.now(); const at = [0.3, 1, 5, 10, 30, 60, 120, 300, 600]; let first = true;
for (const now of nesting(g.items, g.size, doc.cut.spacingMm)) {
  const s = (performance.now() - t0) / 1000;
  if (first) { console.log('first', s, now.sheets, now.lastMm); first = false; }
  while (at.length && s >= at[0]!) console.log(at.shift(), now.sheets, now.lastMm.toFixed(1), now.tries, shareUsed(now, g).toFixed(4));
  if (!at.length) break;
}
