import { backPack } from './backPack';
import { blade } from './blade';
import { blaster } from './blaster';
import { boughtHelmet } from './boughtHelmet';
import { harness } from './harness';
import { helmetAndGorget } from './helmetAndGorget';
import { lightWand } from './lightWand';
import { mace } from './mace';
import { maskOnScan } from './maskOnScan';
import type { ReadySet } from './readySet';
import { staff } from './staff';

/** Every set to begin with, in the order they are shown. */
export const readySets: readonly ReadySet[] = [
  harness,
  helmetAndGorget,
  blade,
  staff,
  blaster,
  mace,
  backPack,
  lightWand,
  maskOnScan,
  boughtHelmet,
];
