/** A share of cards; what is above nothing never reads as nothing. */
export const percent = (share: number): string =>
  share > 0 && share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(1)} %`;
