/**
 * Of a file and of the database. 1: the first. 2: the kit, in the database alone. 3: reasons as codes, no stored way. 4: what became of a
 * piece that did not get done, bath readings, and with a test what it found. 5: how wide a flat bar is, and a heat that was seen to be too hot. 6: looks that tell
 * causes apart, what went otherwise in a quench, and what happens to a bath. 7: colours of a run and its dunk, how a piece was straightened,
 * warp and what was done against it in a temper, and proofs. 8: a quench in two dips, by turns, or under clay, and the moment it was changed over.
 * 9: the grain of a break, a fresh hot bar under a colour run, and that a mark was read. 10: tempers in oil, salt and sand; a clad core; a blade
 * laid in edge first; where a tester was set. 11: on which face. 12: a colour run that is watched at a line behind its edge. 13: a back
 * drawn further after its tempers; an edge pressed into paste. 14: a blade that is quenched by its back first. 15: why a bath
 * was not as it should have been, a time put right, a fire that was turned, and an oven's dial with the time of its move. 16: a hardness wanted of
 * this piece alone, how a proof was made, a rod cut through and a rebound, a piece that was a mistake, and the pressure of a gas forge.
 * 17: a quench as a list of dips, a route heated in one thing and judged by another, and a fire that was gone into over a bath off its plan.
 * 18: an end that is ground to an edge across, and how much of a piece is in the fire.
 */
export const BOOK_VERSION = 18;
