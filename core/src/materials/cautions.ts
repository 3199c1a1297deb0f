export type CautionKey =
  | 'blade'
  | 'saw'
  | 'laser'
  | 'heat'
  | 'solvent'
  | 'hotGlue'
  | 'instantGlue'
  | 'dust'
  | 'boardDust'
  | 'drill'
  | 'solder'
  | 'cells'
  | 'paint'
  | 'wear'
  | 'carry'
  | 'flash';

/** The usual caution, said at the step where it matters. Product labels, local rules and licensed practice come first. */
export const cautions: Record<CautionKey, string> = {
  blade:
    'Fresh blade, several light passes, free hand behind the cut. Minors only with an adult at the bench.',
  saw: 'Guard down, eye protection, no gloves near the blade. Minors only with an adult running the saw.',
  laser:
    'Never cut PVC by laser: it gives off hydrogen chloride. EVA only with extraction and someone watching; follow the machine’s rules.',
  heat: 'Heat gun: ventilate, keep it moving, let it cool nozzle up. Scorched foam fumes are harmful. Minors with an adult.',
  solvent:
    'Contact cement fumes burn and harm: open windows, no flame or heat gun, gloves, mask for organic vapour. Read the can.',
  hotGlue: 'Hot glue burns skin; low-temperature setting. Keep cold water by.',
  instantGlue: 'Instant glue bonds skin and its fumes sting eyes. Ventilate; accelerator is flammable.',
  dust: 'Sanding foam: dust mask, eye protection, vacuum rather than sweep.',
  boardDust:
    'Sawing and sanding rigid board, plastic or wood: mask for fine dust, extraction, eye protection; wet where you can.',
  drill:
    'Drilling: clamp the work on wood, never hold it; eye protection, no gloves, hair and sleeves tied back. Old plastic splinters. Minors with an adult.',
  solder: 'Soldering: ventilate, iron in its stand, eye protection, wash hands. Minors with an adult.',
  cells:
    'Fit cells last and check polarity. No short circuits, no charging inside foam, remove cells for travel; follow the cell maker’s sheet and the carrier’s rules.',
  paint: 'Spray outside or with extraction and a mask for organic vapour; follow the can.',
  wear: 'Wear it with a helper near. Take it off at pinching, numbness or heat. Event rules decide what may be carried.',
  carry:
    'Nothing is swung at people. Soft over hard, no sharp point, nothing that comes loose; event rules and local law decide what may be carried.',
  flash: 'No more than three flashes in any second: flashing light can cause seizures (WCAG 2.3.1).',
};

/** What a caution is about, where it has been read today already. */
export const cautionNames: Record<CautionKey, string> = {
  blade: 'sharp blade',
  saw: 'running saw',
  laser: 'laser',
  heat: 'heat gun',
  solvent: 'solvent glue',
  hotGlue: 'hot glue',
  instantGlue: 'instant glue',
  dust: 'foam dust',
  boardDust: 'board dust',
  drill: 'drilling',
  solder: 'soldering',
  cells: 'cells',
  paint: 'paint and fumes',
  wear: 'wearing it',
  carry: 'carrying it',
  flash: 'flashing light',
};
