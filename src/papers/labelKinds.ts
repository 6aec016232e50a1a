/** What hangs below a bar, and what is stuck on its end. */
export const LABEL_KINDS = ["shelf", "cap"] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

/** More in one file take longer than anybody waits; a family or a place at a time then. */
export const MAX_LABELS = 600;

/** Sizes in mm. A cap fits a sleeve of 50 mm with a millimetre to spare all round. */
export const SHELF_MM = { width: 90, height: 38 };
export const CAP_MM = 48;
