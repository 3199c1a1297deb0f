import { expect } from 'chai';
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js';
import type { Mesh as Drawn } from 'three';
import { meshVolume } from '../../geometry';
import { printedKinds } from '../../printed';
import { readMesh } from './readMesh';
import { glbOf, objOf, stlOf } from './writeMesh';

const [bezel] = printedKinds;
const solids = printedKinds.at(-1)!.solids(printedKinds.at(-1)!.defaults);
const wanted = solids.reduce((sum, s) => sum + meshVolume(s.mesh), 0);

describe('solids that leave, read back by another library', () => {
  it('STL and OBJ hold every solid, its size in millimetres', () => {
    for (const [name, bytes] of [
      ['x.stl', stlOf(solids)],
      ['x.obj', new TextEncoder().encode(objOf(solids))],
    ] as const) {
      const read = readMesh(name, bytes);
      if (!read.ok) throw new Error(read.message);
      expect(meshVolume(read.value), name).to.be.closeTo(wanted, wanted * 1e-4);
    }
    expect(objOf(solids).match(/^o .*/gm)).to.deep.equal(['o case', 'o lid']);
  });

  it('glTF holds them by name in metres, y up', async () => {
    const [ring] = bezel!.solids(bezel!.defaults);
    const bytes = await glbOf([ring!, ...solids]);
    const { scene } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '');
    expect(scene.children.map((c) => c.name)).to.deep.equal(['bezel', 'case', 'lid']);
    const box = (scene.children[1] as Drawn).geometry;
    box.computeBoundingBox();
    const { min, max } = box.boundingBox!;
    // 28 × 58 × 16.6 mm: its height along y.
    expect(max.x - min.x).to.be.closeTo(0.028, 1e-6);
    expect(max.y - min.y).to.be.closeTo(0.0166, 1e-6);
    expect(max.z - min.z).to.be.closeTo(0.058, 1e-6);
  });
});
