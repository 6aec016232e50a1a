/*
 * The rooms of src/server and which other rooms each may use, by their public names (index.ts). Read from top to bottom:
 * a room uses rooms above it. The lint rule holds it; docs/layout.md shows it and a test keeps the two together.
 */
export const ROOMS = {
  access: [],
  kit: ["access"],
  pdf: [],
  computing: ["access"],
  rules: ["access", "kit"],
  "care/planning": ["access", "kit", "rules"],
  "care/log": ["access", "kit", "care/planning"],
  "care/due": ["access", "kit"],
  "care/air": ["access", "kit", "care/planning"],
  "care/findings": ["access", "kit", "care/planning"],
  "care/rounds": ["access", "kit", "computing", "care/planning", "care/log", "care/due", "care/findings"],
  "care/records": ["access", "kit", "care/planning", "pdf"],
  bars: ["access", "kit", "care/planning"],
  "care/inspections": ["access", "kit", "care/planning", "care/log", "bars"],
  equipment: ["access", "kit"],
  lifts: ["access", "kit"],
  lifters: ["access", "kit", "lifts"],
  compare: ["access", "kit", "rules", "bars", "equipment", "lifts", "pdf"],
  matching: ["access", "kit", "rules", "care/planning", "bars", "equipment", "lifts", "lifters"],
  setups: ["access", "kit", "rules", "bars", "lifts", "lifters", "pdf"],
  loading: ["access", "kit", "computing", "rules", "bars", "equipment", "lifts", "lifters", "setups"],
  classes: ["access", "kit", "computing", "rules", "bars", "equipment", "lifts", "lifters", "matching", "loading"],
  upkeep: ["access", "kit", "computing", "care/planning", "care/air", "care/rounds"],
  today: ["access", "kit", "rules", "bars", "classes", "care/due", "care/air", "care/findings", "setups", "upkeep"],
  transfer: [
    ...["access", "kit", "rules", "bars", "equipment", "lifts", "lifters", "setups"],
    ...["care/planning", "care/air", "care/inspections"],
  ],
};
