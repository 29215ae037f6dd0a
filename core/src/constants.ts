/** Physical constants, each with its unit and source (CODATA 2018 where not said otherwise). */

/** Stefan-Boltzmann constant, W/(m2 K4). CODATA 2018. */
export const STEFAN_BOLTZMANN_W_m2K4 = 5.670374419e-8;
/** Molar gas constant, J/(mol K). CODATA 2018, rounded as the fitted kinetic constants use it. */
export const GAS_J_molK = 8.314;
/** Molar gas constant, cal/(mol K), the form in which Kirkaldy and Venugopalan print their activation energies. */
export const GAS_cal_molK = 1.987;
/** First radiation constant for spectral radiance, 2 h c^2, W m2 / sr. CODATA 2018. */
export const RADIATION_FIRST_W_m2 = 1.191042972e-16;
/** Second radiation constant, h c / k, m K. CODATA 2018. */
export const RADIATION_SECOND_m_K = 1.438776877e-2;
/** Luminous efficacy of 540 THz radiation, lm/W. SI definition. */
export const LUMINOUS_EFFICACY_lm_W = 683;
/** Air temperature of a shop where nobody says otherwise, C. */
export const ROOM_C = 25;
/** Below this the piece is hand-warm: the change is over as far as it will go and a file may be trusted. */
export const HAND_WARM_C = 50;
