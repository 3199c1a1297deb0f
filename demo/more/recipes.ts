import type { Row } from '@fomrik/core/document';
import type { Recipe } from './recipe';

/** A found thing as it is sold. */
const found = (over: Row): Row => ({
  place: 1,
  what: 'tube',
  longMm: 100,
  lowMm: 40,
  highMm: 40,
  wallMm: 2,
  meets: 'butt',
  intoMm: 0,
  known: 'sold',
  light: 'none',
  massG: 60,
  price: 0,
  ...over,
});

/** Fifteen builds of the Lampwardens of Saltmere, one for each way props are put together. */
export const recipes: readonly Recipe[] = [
  {
    id: 'tide-watch',
    name: 'Tide watch',
    about: 'A bought forearm case, opened up, lined and lit, worn over the sleeve by the harbour watch.',
    doing: [
      {
        add: 'donor-limb',
        as: 'Watch case',
        set: { massG: 140, price: 18, wallMm: 2, bandLayers: 1, bandFoam: 5 },
      },
      { detail: 'trim', of: 'Watch case' },
      { light: 'Watch case', hours: 5 },
      { paint: 'Watch case', colour: '#2f4a58', surface: 'satin' },
    ],
  },
  {
    id: 'wick-dagger',
    name: 'Wick dagger',
    about:
      'A dagger whose handle is a pipe that holds the cells; its channel glows down the middle of the blade.',
    doing: [
      { add: 'haft', as: 'Handle', set: { rod: 'pvc-1in', lengthMm: 170, handMm: 80 } },
      {
        add: 'grip',
        as: 'Grip',
        on: { part: 'Handle', anchor: 'hand' },
        set: { lengthMm: 110, wrap: 'none' },
        foam: [['dense-eva', 2]],
      },
      {
        add: 'guard',
        as: 'Guard',
        on: { part: 'Handle', anchor: 'tip', rest: { alongMm: -12 } },
        set: { widthMm: 120, deepMm: 60 },
      },
      {
        add: 'blade',
        as: 'Blade',
        on: { part: 'Handle', anchor: 'tip' },
        set: {
          lengthMm: 300,
          widthMm: 70,
          tipWidthMm: 56,
          pointMm: 80,
          windowMm: 22,
          bevelMm: 14,
          tangMm: 30,
          tangWidthMm: 20,
        },
        foam: [
          ['dense-eva', 4],
          ['dense-eva', 6],
          ['dense-eva', 4],
        ],
      },
      { light: 'Blade', with: 'lamps', hours: 4 },
      { paint: 'Guard', colour: '#8a6a2f', surface: 'metallic' },
      { paint: 'Blade', colour: '#b9c2c6', surface: 'metallic' },
    ],
  },
  {
    id: 'flare-pistol',
    name: 'Flare pistol',
    about: 'A signal pistol of four layers with rounded edges and a ring for the trigger finger.',
    doing: [
      { add: 'prop-body', as: 'Pistol', set: { profile: 'round', bevelMm: 4 } },
      { add: 'turned', as: 'Flare mouth', on: { part: 'Pistol', anchor: 'muzzle' } },
      {
        add: 'guard',
        as: 'Trigger ring',
        on: { part: 'Pistol', anchor: 'muzzle', rest: { alongMm: -150, letIn: true } },
        set: { shape: 'disc', widthMm: 60, deepMm: 60 },
      },
      { paint: 'Pistol', colour: '#3a2b22', surface: 'wood' },
      { paint: 'Flare mouth', colour: '#a9762f', surface: 'metallic' },
    ],
  },
  {
    id: 'bilge-pump',
    seenFromBehind: true,
    name: 'Bilge pump',
    about: 'A pack of boxes and tubes on a plate, and a frame of pipes behind it.',
    doing: [
      {
        add: 'back-frame',
        as: 'Pump plate',
        set: {
          plates: [{ widthMm: 380, heightMm: 420, spacerMm: 0 }],
          boxes: [{ widthMm: 180, heightMm: 130, deepMm: 70, acrossMm: 0, upMm: 45 }],
          tubes: [],
          strapWideMm: 40,
          facing: 'foam',
        },
      },
      {
        add: 'pipe-frame',
        as: 'Pump pipes',
        on: { part: 'Pump plate', anchor: 'panel:plate', rest: { offMm: 10.9, nodDeg: 90, alongMm: -192 } },
        set: { rod: 'pvc-20mm' },
      },
      { detail: 'rivets', of: 'Pump plate' },
      { detail: 'hose', of: 'Pump plate', set: { outsideMm: 12 } },
      { paint: 'Pump plate', colour: '#4b5a3c', surface: 'matt' },
      { paint: 'Pump pipes', colour: '#b0552b', surface: 'metallic' },
    ],
  },
  {
    id: 'fog-engine',
    seenFromBehind: true,
    name: 'Fog engine',
    about: 'An engine worn on the back: a deep box that glows, and a boiler of bands, rings and a dome.',
    doing: [
      { add: 'back-frame', as: 'Engine bed' },
      {
        add: 'rounds',
        as: 'Boiler',
        on: { part: 'Engine bed', anchor: 'panel:box-1-roof', rest: { offMm: 0 } },
        set: {
          sections: [
            { kind: 'stack', heightMm: 12, lowMm: 70, highMm: 70, joint: 'butt', foamMm: 0 },
            { kind: 'band', heightMm: 90, lowMm: 70, highMm: 70, joint: 'butt', foamMm: 0 },
            { kind: 'dome', heightMm: 30, lowMm: 70, highMm: 30, joint: 'butt', foamMm: 0 },
          ],
        },
      },
      { light: 'Engine bed', with: 'light-box', hours: 5 },
      { paint: 'Engine bed', colour: '#37474f', surface: 'satin' },
      { paint: 'Boiler', colour: '#a85f32', surface: 'metallic' },
    ],
  },
  {
    id: 'breakwater-axe',
    name: 'Breakwater axe',
    about: 'A great axe in two lengths: bows bevelled, sides square, rings on a shaft that comes apart.',
    doing: [
      {
        add: 'haft',
        as: 'Shaft',
        set: {
          rod: 'pvc-1in',
          lengthMm: 1500,
          handMm: 760,
          joints: [{ atMm: 500 }, { atMm: 1000 }],
          joint: 'sleeve',
        },
      },
      {
        add: 'head',
        as: 'Axe head',
        on: { part: 'Shaft', anchor: 'tip', rest: { alongMm: -290 } },
        set: { shape: 'double', widthMm: 420, heightMm: 280, bevelMm: 40, edges: 'ends' },
        foam: [
          ['dense-eva', 6],
          ['dense-eva', 10],
          ['dense-eva', 10],
          ['dense-eva', 10],
          ['dense-eva', 6],
        ],
      },
      {
        add: 'turned',
        as: 'Upper ring',
        on: { part: 'Shaft', anchor: 'tip', rest: { alongMm: -340 } },
        set: {
          profile: [
            { zMm: -20, acrossMm: 50 },
            { zMm: -6, acrossMm: 66 },
            { zMm: 6, acrossMm: 66 },
            { zMm: 20, acrossMm: 50 },
          ],
        },
      },
      {
        add: 'grip',
        as: 'Grip',
        on: { part: 'Shaft', anchor: 'hand' },
        set: { lengthMm: 240, hands: 2, wrap: 'leather', stripMm: 25, stripThickMm: 1.5 },
        foam: [['dense-eva', 2]],
      },
      {
        add: 'fitting',
        as: 'Foot cap',
        on: { part: 'Shaft', anchor: 'foot', rest: { alongMm: -10 } },
        set: { kind: 'cap', rod: 'pvc-1in' },
      },
      { detail: 'drawn-shape', of: 'Axe head', set: { way: 'engraved', deepMm: 2, scalePct: 180 } },
      { paint: 'Axe head', colour: '#9aa5aa', surface: 'metallic' },
      { paint: 'Upper ring', colour: '#8a6a2f', surface: 'metallic' },
    ],
  },
  {
    id: 'cormorant-mask',
    name: 'Cormorant mask',
    about: 'A mask skinned over a scanned head, its eyes lit from behind.',
    doing: [
      { add: 'skinned-head', as: 'Cormorant' },
      { light: 'Cormorant', with: 'lamps', hours: 4 },
      { paint: 'Cormorant', colour: '#16202a', surface: 'gloss' },
    ],
  },
  {
    id: 'diver-helmet',
    name: 'Diver’s helmet',
    about: 'A bought helmet, refitted to the wearer’s head with a band, and trimmed.',
    doing: [
      { add: 'donor-helmet', as: 'Diver’s helmet', set: { bandLayers: 2, bandFoam: 10 } },
      { add: 'gorget', as: 'Neck ring' },
      { paint: 'Neck ring', colour: '#a9762f', surface: 'metallic' },
    ],
  },
  {
    id: 'beacon-collar',
    name: 'Beacon collar',
    about: 'A collar in tiers, each leaning out further, with panels of light in the front.',
    doing: [
      { add: 'gorget', as: 'Collar', set: { setBackMm: 6 } },
      { add: 'breastplate', as: 'Yoke' },
      { light: 'Yoke', with: 'light-box', hours: 5 },
      { paint: 'Collar', colour: '#23364a', surface: 'satin' },
      { paint: 'Yoke', colour: '#23364a', surface: 'satin' },
    ],
  },
  {
    id: 'foghorn-ear',
    name: 'Foghorn ears',
    about: 'A pod over either ear of the listening watch, a ring of light in its face.',
    doing: [
      { add: 'ear-pod', as: 'Ear pod', set: { hookOf: 'wire' } },
      { detail: 'hole', of: 'Ear pod', set: { diameterMm: 6, count: 6, ringMm: 30 } },
      { paint: 'Ear pod', colour: '#2f4a58', surface: 'satin' },
    ],
  },
  {
    id: 'twin-wands',
    name: 'Wands of port and starboard',
    about: 'Two wands for signalling in fog, one for each hand.',
    doing: [
      { add: 'wand', as: 'Port wand', set: { handleAcrossMm: 42, buttAcrossMm: 34 } },
      {
        add: 'wand',
        as: 'Starboard wand',
        side: 'left',
        set: { shaftMm: 240, handleAcrossMm: 42, buttAcrossMm: 34 },
      },
      { detail: 'wound-band', of: 'Port wand', set: { widthMm: 16 } },
      { light: 'Port wand', hours: 3 },
      { paint: 'Port wand', colour: '#a02c2c', surface: 'satin' },
      { paint: 'Starboard wand', colour: '#2c7a4b', surface: 'satin' },
    ],
  },
  {
    id: 'ring-caller',
    name: 'Ring caller',
    about:
      'A device of found pipes and a mouth of bent pipe that calls the boats in; a milky tube of it glows.',
    doing: [
      {
        add: 'strung',
        as: 'Caller',
        set: {
          things: [
            found({ place: 1, longMm: 120, meets: 'inside', intoMm: 20 }),
            found({
              place: 2,
              what: 'coupler',
              longMm: 50,
              lowMm: 46,
              highMm: 46,
              meets: 'over',
              intoMm: 20,
            }),
            found({ place: 3, longMm: 240, wallMm: 3, light: 'opal', massG: 95 }),
            found({ place: 4, what: 'torch', longMm: 95, lowMm: 32, highMm: 38, massG: 80 }),
          ],
        },
      },
      {
        light: 'Caller',
        with: 'wound-strip',
        hours: 2,
        set: { way: 'along', wideMm: 14, thickMm: 3, faces: 2, lengthMm: 200, through: 'walls' },
      },
      {
        add: 'pipe-frame',
        as: 'Mouth ring',
        on: { part: 'Caller', anchor: 'top', rest: { offMm: 10 } },
        set: {
          rod: 'pvc-20mm',
          corners: [
            { acrossMm: -130, forwardMm: 0, upMm: 0, joint: 'bent', radiusMm: 100 },
            { acrossMm: 130, forwardMm: 0, upMm: 0, joint: 'bent', radiusMm: 100 },
            { acrossMm: 130, forwardMm: 0, upMm: 260, joint: 'bent', radiusMm: 100 },
            { acrossMm: -130, forwardMm: 0, upMm: 260, joint: 'bent', radiusMm: 100 },
            { acrossMm: 0, forwardMm: 0, upMm: 0, joint: 'fitting', radiusMm: 0 },
          ],
          pipes: [
            { from: 1, to: 5 },
            { from: 5, to: 2 },
            { from: 2, to: 3 },
            { from: 3, to: 4 },
            { from: 4, to: 1 },
          ],
        },
      },
      { paint: 'Mouth ring', colour: '#8a6a2f', surface: 'metallic' },
    ],
  },
  {
    id: 'tally-pole',
    name: 'Tally pole',
    about: 'A pole with a head of stacked rings and a lantern above it.',
    doing: [
      {
        add: 'haft',
        as: 'Pole',
        set: {
          rod: 'pvc-1in',
          lengthMm: 1700,
          handMm: 800,
          joints: [{ atMm: 600 }, { atMm: 1180 }],
          joint: 'coupler',
        },
      },
      {
        add: 'turned',
        as: 'Ring head',
        on: { part: 'Pole', anchor: 'tip', rest: { alongMm: -200 } },
        set: {
          profile: [
            { zMm: -40, acrossMm: 50 },
            { zMm: -10, acrossMm: 110 },
            { zMm: 10, acrossMm: 110 },
            { zMm: 40, acrossMm: 50 },
          ],
        },
      },
      { add: 'lantern', as: 'Lantern', on: { part: 'Pole', anchor: 'tip', rest: { alongMm: -6 } } },
      { paint: 'Ring head', colour: '#8a6a2f', surface: 'metallic' },
      { paint: 'Lantern', colour: '#2b2f33', surface: 'matt' },
    ],
  },
  {
    id: 'dark-tide-sword',
    name: 'Dark tide sword',
    about:
      'A black sword with a hollow blade: a strip on its core lights both edges, which are not painted; the cells are in the handle.',
    doing: [
      { add: 'haft', as: 'Core', set: { rod: 'pvc-40mm', lengthMm: 190, handMm: 85 } },
      {
        add: 'grip',
        as: 'Grip',
        on: { part: 'Core', anchor: 'hand' },
        set: { lengthMm: 150, wrap: 'none' },
        foam: [['dense-eva', 2]],
      },
      {
        add: 'guard',
        as: 'Guard',
        on: { part: 'Core', anchor: 'tip', rest: { alongMm: -12 } },
        set: { shape: 'horns', widthMm: 200, deepMm: 70, profile: 'round', bevelMm: 6 },
      },
      {
        add: 'blade',
        as: 'Blade',
        on: { part: 'Core', anchor: 'tip' },
        set: {
          lengthMm: 620,
          widthMm: 72,
          tipWidthMm: 66,
          point: 'clip',
          pointMm: 90,
          edges: 'point',
          bevelMm: 6,
          windowMm: 57,
          tangMm: 40,
          tangWidthMm: 21,
        },
        foam: [
          ['dense-eva', 5],
          ['pe-white', 5],
          ['pe-white', 5],
          ['pe-white', 5],
          ['dense-eva', 5],
        ],
      },
      {
        light: 'Blade',
        with: 'wound-strip',
        hours: 0.5,
        set: {
          way: 'along',
          wideMm: 12,
          thickMm: 2,
          faces: 2,
          lies: 'edge',
          lengthMm: 350,
          through: 'walls',
          evenPct: 50,
        },
      },
      { paint: 'Guard', colour: '#4b4f52', surface: 'metallic' },
    ],
  },
  {
    id: 'groyne-mace',
    name: 'Groyne mace',
    about: 'A mace of soft foam: a ball on a rolled shaft, spikes all round that nobody is hurt by.',
    doing: [
      { add: 'haft', as: 'Shaft', set: { rod: 'pvc-1-2in', lengthMm: 560, handMm: 120 } },
      { add: 'grip', as: 'Grip', on: { part: 'Shaft', anchor: 'hand' }, foam: [['dense-eva', 4]] },
      {
        add: 'turned',
        as: 'Ball',
        on: { part: 'Shaft', anchor: 'tip', rest: { alongMm: -70 } },
        set: {
          make: 'discs',
          profile: [
            { zMm: -60, acrossMm: 50 },
            { zMm: -30, acrossMm: 120 },
            { zMm: 30, acrossMm: 120 },
            { zMm: 60, acrossMm: 50 },
          ],
        },
      },
      {
        add: 'faceted',
        as: 'Spike',
        on: {
          part: 'Ball',
          anchor: 'axis',
          rest: {
            nodDeg: 90,
            copies: { way: 'round', count: 6, sweepDeg: 360, radiusMm: 59 },
          },
        },
        set: {
          sides: 4,
          profile: [
            { zMm: 0, acrossMm: 50 },
            { zMm: 60, acrossMm: 16 },
          ],
        },
      },
      { paint: 'Ball', colour: '#5a5f60', surface: 'metallic' },
      { paint: 'Spike', colour: '#8c9496', surface: 'metallic' },
    ],
  },
];
