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
    /** What is typed into, and what lies bare under art. */
    white: '#ffffff',
    marigoldWash: '#fdf1d3',
    linenDeep: '#e9e1cf',
    /** The strip’s panels as light falls on them: rising from left to right, and falling. */
    panelLit: '#f7f1e4',
    panelShade: '#ddd4c0',
    panelShadeLit: '#ece5d5',
  },
  font: {
    text: "'Zippy Nought', 'Atkinson Hyperlegible Next', system-ui, sans-serif",
    mono: "'Atkinson Hyperlegible Mono', ui-monospace, monospace",
  },
  size: { headerPx: 52, stripPx: 132, slipPx: 372 },
  radius: '7px',
  shadow: '0 1px 2px rgb(29 41 48 / 0.16), 0 6px 18px rgb(29 41 48 / 0.12)',
} as const;

export type Tokens = typeof tokens;
