/** The line of a crease that folds this way for who sees the drawing; away where nothing is said. */
export const creaseRole = (way: 'toward' | 'away' | undefined): 'creaseToward' | 'creaseAway' =>
  way === 'toward' ? 'creaseToward' : 'creaseAway';
