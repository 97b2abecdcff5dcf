import type { Station } from '@zippy/core';

export const STATION_NAMES: Readonly<Record<Station, string>> = {
  brief: 'Brief',
  size: 'Size',
  art: 'Art',
  stock: 'Stock',
  sheet: 'Sheet',
  cut: 'Cut',
  crease: 'Crease',
  envelope: 'Envelope',
  make: 'Make',
  sell: 'Sell',
};
