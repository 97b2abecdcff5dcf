export const STATIONS = [
  'brief',
  'size',
  'art',
  'stock',
  'sheet',
  'cut',
  'crease',
  'envelope',
  'make',
  'sell',
] as const;
export type Station = (typeof STATIONS)[number];

/** The same ten words everywhere a station is named to people. */
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
