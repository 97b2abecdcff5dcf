import type { PrinterKind, ToolKind, TrimmerKind } from '@zippy/core';

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
