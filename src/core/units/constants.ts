/** Kilograms in one pound, exact (international yard and pound agreement, 1959). */
export const KG_PER_LB = 0.45359237;

/** Millimetres in one inch, exact (international yard and pound agreement, 1959). */
export const MM_PER_IN = 25.4;

/** Standard acceleration of free fall in m/s², exact (CGPM 1901). */
export const STANDARD_GRAVITY = 9.80665;

/** Megapascals in one ksi (thousand pounds-force per square inch). */
export const MPA_PER_KSI = 6.894757;
