import { expect } from 'chai';
import { nameOfColour, namesAnother } from '../../../../src/stations/art/ink/colourNames.ts';
import { workshop } from '../../../support.ts';

describe('names of colours', () => {
  it('are what someone would say who looks at them', () => {
    const said = [
      '#ffffff',
      '#0a0a0a',
      '#808080',
      '#1a2b4c',
      '#c2552f',
      '#0b7f86',
      '#fdf3d8',
      '#f4a0c0',
      '#3f6f3f',
      '#6b3f1d',
    ].map(nameOfColour);
    expect(said).to.deep.equal([
      'white',
      'black',
      'grey',
      'navy',
      'orange',
      'dark teal',
      'cream',
      'light pink',
      'green',
      'brown',
    ]);
  });
  it('contradict no name on the demo’s shelf, and a red card called navy', () => {
    for (const { colour, colourName } of workshop.stocks)
      expect(namesAnother(colourName, colour), colourName).to.equal(false);
    expect(namesAnother('Night navy', '#c02020')).to.equal(true);
    expect(namesAnother('Samphire', '#c02020')).to.equal(false);
  });
});
