/** The one home of the interface's colours, sizes and type. */
export const tokens = {
  colour: {
    slate: '#36454f',
    slateDeep: '#2a363e',
    slateLine: '#51626d',
    onSlate: '#f1ede2',
    onSlateQuiet: '#c2ccd1',
    paper: '#fffdf8',
    paperShade: '#f0eadb',
    linen: '#f3eee3',
    rule: '#d9d1bf',
    ink: '#1d2930',
    inkQuiet: '#55636c',
    marigold: '#f2b01e',
    marigoldDeep: '#8a5a00',
    plum: '#7b2869',
    teal: '#0b6f75',
    ochre: '#8a5500',
    coral: '#c2412a',
    coralWash: '#fbe9e4',
    ochreWash: '#fbf0dc',
    tealWash: '#e3f0f0',
    green: '#2e7d46',
  },
  font: {
    text: "'Atkinson Hyperlegible Next', system-ui, sans-serif",
    mono: "'Atkinson Hyperlegible Mono', ui-monospace, monospace",
  },
  size: { headerPx: 52, stripPx: 132, slipPx: 372 },
  radius: '7px',
  shadow: '0 1px 2px rgb(29 41 48 / 0.16), 0 6px 18px rgb(29 41 48 / 0.12)',
} as const;

export type Tokens = typeof tokens;
