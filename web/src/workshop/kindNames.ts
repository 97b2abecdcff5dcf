import type { AdhesiveKind, PrinterKind, ToolKind, TrimmerKind, TrimmingKind } from '@zippy/core';

export const TRIMMER_NAMES: Readonly<Record<TrimmerKind, string>> = {
  sliding: 'Sliding or rotary trimmer',
  lever: 'Lever guillotine',
  knife: 'Knife and steel rule',
  scissors: 'Scissors',
  machine: 'Cutting machine',
};

export const PRINTER_NAMES: Readonly<Record<PrinterKind, string>> = {
  inkjetRear: 'Inkjet with a rear feed',
  inkjetCassette: 'Inkjet with a cassette only',
  laser: 'Laser printer',
};

export const TOOL_NAMES: Readonly<Record<ToolKind, string>> = {
  laminator: 'Laminator, for foil',
  press: 'Heat press, for foil',
  punch: 'Punch, for holes',
};

export const TRIMMING_NAMES: Readonly<Record<TrimmingKind, string>> = {
  bow: 'Bow',
  button: 'Button',
  gem: 'Gem or pearl',
  brad: 'Brad',
  photograph: 'Photograph',
  charm: 'Charm',
  cutOut: 'Cut-out',
  magnet: 'Magnet',
  sticker: 'Clasp sticker',
  other: 'Something else',
};

export const ADHESIVE_NAMES: Readonly<Record<AdhesiveKind, string>> = {
  wet: 'Wet glue',
  strongTape: 'Strong double-sided tape',
  tape: 'Double-sided tape',
  foam: 'Foam pads',
  dots: 'Glue dots',
  spray: 'Spray glue',
  hot: 'Hot glue',
};
