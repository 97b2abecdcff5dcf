/** Ticks are long enough to lay a rule on, and stand clear of the bleed by a hair. */
export const TICK_MM = 4;
export const SHORTEST_TICK_MM = 1.2;
export const CLEAR_MM = 0.3;
/** Between the bleed and the printable edge, this much is needed before a tick is worth drawing. */
export const TICK_ROOM_MM = SHORTEST_TICK_MM + CLEAR_MM;
