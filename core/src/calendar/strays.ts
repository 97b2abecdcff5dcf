/** How far minutes stray from what they are said to be: one standard deviation of their logarithm. Our starting value. */
export const STRAYS = 0.25;
