/* Eleven made-up offers. Days are counted from the day on which the demonstration is loaded. */

export interface DemoOffer {
  texts: Record<string, string>;
  /** Valid so many days from today; negative where it ran out. */
  validDays?: number;
  state?: "refused";
  reason?: string;
}

const STRAIGHT = {
  "stated.shaftLength": "1310 mm",
  "stated.collarThickness": "30 mm",
  "stated.sleeveLength": "415 mm",
  "stated.sleeveDiameter": "50 mm",
  "stated.overallLength": "2200 mm",
  alloy: "alloy-steel",
};

export const DEMO_OFFERS: readonly DemoOffer[] = [
  {
    texts: {
      ...STRAIGHT,
      ...{ name: "Stiff power bar, bare", family: "power", "stated.mass": "20 kg", "stated.shaftDiameter": "29 mm" },
      ...{
        sleeveRotation: "bushing",
        finish: "bare",
        knurl: "aggressive",
        centreKnurl: "full",
        ringMarks: "powerlifting",
      },
      ...{ yieldMPa: "1200", rating: "680 kg", ratingBasis: "total", seller: "Harbour Iron", batch: "fifth lot" },
      ...{ price: "£395", freight: "£38", leadDays: "14", warrantyMonths: "60", quantity: "3", delivery: "kerb" },
    },
    validDays: 30,
  },
  {
    texts: {
      ...STRAIGHT,
      ...{ name: "Power bar, stainless", family: "power", "stated.mass": "20 kg", "stated.shaftDiameter": "29 mm" },
      ...{
        sleeveRotation: "bushing",
        finish: "stainless",
        alloy: "stainless",
        knurl: "aggressive",
        centreKnurl: "full",
      },
      ...{
        ringMarks: "powerlifting",
        yieldMPa: "1150",
        rating: "680 kg",
        ratingBasis: "total",
        seller: "Northquay Bars",
      },
      ...{ batch: "N-402", price: "£580", freight: "£45", leadDays: "35", warrantyMonths: "120", stock: "blemished" },
      offerNote: "Scratched end cap, a fifth off.",
    },
    validDays: 21,
  },
  {
    texts: {
      ...STRAIGHT,
      ...{ name: "Needle bar", family: "weightlifting", "stated.mass": "20 kg", "stated.shaftDiameter": "28 mm" },
      ...{
        sleeveRotation: "needle",
        finish: "hard-chrome",
        knurl: "medium",
        centreKnurl: "none",
        ringMarks: "weightlifting",
      },
      ...{ yieldMPa: "1300", rating: "500 kg", ratingBasis: "total", seller: "Northquay Bars", batch: "N-402" },
      ...{ price: "£640", freight: "£45", leadDays: "35", warrantyMonths: "120", quantity: "2", delivery: "signature" },
    },
    validDays: 21,
  },
  {
    texts: {
      ...{
        name: "Light needle bar",
        family: "weightlifting-short",
        "stated.mass": "15 kg",
        "stated.shaftDiameter": "25 mm",
      },
      ...{ "stated.shaftLength": "1310 mm", "stated.collarThickness": "30 mm", "stated.sleeveLength": "320 mm" },
      ...{ "stated.overallLength": "2010 mm", alloy: "alloy-steel", sleeveRotation: "needle", finish: "bright-zinc" },
      ...{ knurl: "medium", centreKnurl: "none", ringMarks: "weightlifting", seller: "Pellow & Strand", batch: "D-21" },
      ...{ price: "£410", freight: "£0", leadDays: "10", warrantyMonths: "24", stock: "blemished" },
      ...{ rating: "300 kg", ratingBasis: "total", yieldMPa: "1300" },
    },
    validDays: 14,
  },
  {
    texts: {
      ...{ name: "Long deadlift bar", family: "deadlift", "stated.mass": "20 kg", "stated.shaftDiameter": "27 mm" },
      ...{ "stated.shaftLength": "1452 mm", "stated.collarThickness": "50 mm", "stated.sleeveLength": "390 mm" },
      ...{
        alloy: "alloy-steel",
        sleeveRotation: "bushing",
        finish: "black-oxide",
        knurl: "aggressive",
        centreKnurl: "none",
      },
      ...{ ringMarks: "powerlifting", yieldMPa: "1250", rating: "700 lb", ratingBasis: "plates-only" },
      ...{
        seller: "Lowfield Steel Supply",
        price: "$455",
        freight: "$180",
        duty: "4.7 %",
        rate: "0.79",
        leadDays: "6 weeks",
      },
      ...{ warrantyMonths: "12", delivery: "dock, commercial", offerNote: "The carrier unloads at a dock only." },
    },
    validDays: 45,
  },
  {
    texts: {
      ...{ name: "Yoke bar, thick pads", family: "yoke", "stated.mass": "29 kg", "stated.camberDrop": "130 mm" },
      ...{ "stated.camberForward": "95 mm", "stated.sleeveLength": "390 mm", "stated.shaftDiameter": "32 mm" },
      ...{
        "stated.shaftLength": "1310 mm",
        "stated.collarThickness": "30 mm",
        sleeveRotation: "fixed",
        finish: "e-coat",
      },
      ...{
        rating: "300 kg",
        ratingBasis: "total",
        areHandlesRemovable: "yes",
        seller: "Pellow & Strand",
        batch: "D-19",
      },
      ...{ price: "£345", freight: "£52", leadDays: "12", warrantyMonths: "24" },
    },
    validDays: 30,
  },
  {
    texts: {
      ...{ name: "Low safety squat bar", family: "low-yoke", "stated.mass": "29 kg", "stated.camberDrop": "60 mm" },
      ...{ "stated.camberForward": "40 mm", "stated.sleeveLength": "390 mm", "stated.shaftDiameter": "32 mm" },
      ...{
        "stated.shaftLength": "1310 mm",
        "stated.collarThickness": "30 mm",
        sleeveRotation: "fixed",
        finish: "e-coat",
      },
      ...{ rating: "300 kg", ratingBasis: "total", seller: "Harbour Iron", batch: "fifth lot", price: "£520" },
      ...{ freight: "£38", leadDays: "14", warrantyMonths: "60" },
    },
    validDays: 30,
  },
  {
    texts: {
      ...{ name: "Multi-grip bar", family: "multi-grip", "stated.mass": "18 kg", "stated.frameWidth": "900 mm" },
      ...{ "stated.frameDepth": "230 mm", "stated.handleOffset": "0 mm", "stated.sleeveLength": "350 mm" },
      ...{
        "stated.shaftLength": "1310 mm",
        "stated.collarThickness": "25 mm",
        sleeveRotation: "fixed",
        finish: "black-zinc",
      },
      ...{ gripOptions: "440 mm apart, 15° | 600 mm apart, straight", rating: "250 kg", ratingBasis: "total" },
      ...{ seller: "Lowfield Steel Supply", price: "265 EUR", freight: "60 EUR", rate: "0.86", leadDays: "21" },
    },
    validDays: 30,
  },
  {
    texts: {
      ...STRAIGHT,
      ...{
        name: "Cheap all-round bar",
        family: "all-round",
        "stated.mass": "20 kg",
        "stated.shaftDiameter": "28.5 mm",
      },
      ...{ sleeveRotation: "bushing", finish: "black-zinc", knurl: "passive", centreKnurl: "none", ringMarks: "dual" },
      ...{ tensileMPa: "3100", rating: "1500 lb", ratingBasis: "unknown", seller: "Lowfield Steel Supply" },
      ...{ price: "£129", freight: "£75", leadDays: "5", warrantyMonths: "12", quantity: "10" },
      offerNote: "A tensile strength of 3100 MPa is more than bar steel has. Ask for the certificate.",
    },
    validDays: 90,
  },
  {
    texts: {
      ...STRAIGHT,
      ...{
        name: "Squat bar from a closed gym",
        family: "squat",
        "stated.mass": "25 kg",
        "stated.shaftDiameter": "32 mm",
      },
      ...{ "stated.shaftLength": "1420 mm", "stated.collarThickness": "40 mm", "stated.overallLength": "2400 mm" },
      ...{ sleeveRotation: "bushing", finish: "bare", knurl: "aggressive", centreKnurl: "full", stock: "used" },
      ...{ price: "£180", freight: "£0", leadDays: "3", offerNote: "To be fetched. Look at it first." },
    },
    validDays: 7,
  },
  {
    texts: {
      ...{
        name: "Adjustable safety squat bar",
        family: "adjustable-yoke",
        seller: "Pellow & Strand",
        "stated.mass": "24 kg",
      },
      ...{ "stated.sleeveLength": "380 mm", sleeveRotation: "fixed", offerNote: "Announced for spring. No price yet." },
    },
  },
];

/** What the demonstration's hall has to spend, in minor units. */
export const DEMO_BUDGET_MINOR = 85_000;
